using HomeStage.Core.Automation;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Editing;

/// <summary>What is on a strip in a few words.</summary>
public class StripSummaryTests
{
    private static readonly Channel Bare = new() { Id = new("clap"), Name = "Clap", Kind = ChannelKind.Split };

    [Fact]
    public void Of_ABareStrip_IsNothingButItsName() => Assert.Equal("nothing but its name", StripSummary.Of(Bare));

    [Fact]
    public void Of_AStripThatIsWorkedOn_TellsWhatIsThere_AndNothingElse()
    {
        var worked = Bare with
        {
            Inserts = [new(new("a"), "equaliser"), new(new("b"), "compressor")],
            Sends = [new(new("hall"), new(-12))],
            Shapes = [new(new LevelTarget(), "song", [new(0, -6), new(1, 0)])],
            Muted = true,
        };

        Assert.Equal("2 inserts, 1 send, 1 curve, muted", StripSummary.Of(worked));
        Assert.Equal($"{new Decibels(-6)}, polarity flipped", StripSummary.Of(Bare with { Level = new(-6), PolarityFlipped = true }));
    }

    [Fact]
    public void Of_HowAnInstrumentIsPlayed_SaysOnlyWhatSomebodySaid()
    {
        Assert.Equal("notes from any device, armed by hand", StripSummary.Of(new Strip { NoteInput = new() { Arming = Arming.ByHand } }));
        Assert.Equal("notes from Desk, channel 3, 1 kind of message kept out, armed with the selection",
            StripSummary.Of(new Strip { NoteInput = new() { Device = "Desk", MidiChannel = 3, KeptOut = [NoteMessage.PitchBend], Arming = Arming.WithSelection } }));
    }

    [Theory]
    [InlineData(new[] { 5 }, "input 5, not monitored, not armed")]
    [InlineData(new[] { 5, 6 }, "inputs 5 and 6, not monitored, not armed")]
    [InlineData(new[] { 5, 6, 7 }, "inputs 5–7, not monitored, not armed")]
    [InlineData(new[] { 5, 6, 9 }, "inputs 5 and 6 and 9, not monitored, not armed")]
    public void Parts_OfSeveralChannels_NamesTheirInputs_ARowByItsEnds(int[] inputs, string said)
    {
        var channels = inputs.Select(n => new Channel { Id = new($"v{n}"), Name = $"Voice {n}", Kind = ChannelKind.Audio, Source = new InputSource(n) }).ToList();

        Assert.Equal([said], StripSummary.Parts(new Strip(), channels));
    }

    [Fact]
    public void Parts_OfASource_SaysWhetherItIsHeardAndArmed()
    {
        var pair = new Channel { Id = new("v"), Name = "Voice", Kind = ChannelKind.Audio, Source = new InputSource(3, 4, true, true) };

        Assert.Equal(["inputs 3 and 4, monitored, armed"], StripSummary.Parts(new Strip(), [pair]));
    }

    [Theory]
    [InlineData("write mix", "in the wings in mix, write")]
    [InlineData("write record mix", "in the wings in every act")]
    [InlineData("mix", "in the wings in mix")]
    public void Parts_OfAStripThatRests_NamesTheActs_OrAllOfThem(string acts, string said)
    {
        var stages = Map<StageState>.From(EmptyStage.Acts.Select(a => KeyValuePair.Create(a.Id, acts.Split(' ').Contains(a.Id) ? StageState.InTheWings : StageState.OnStage)));

        Assert.Equal(said, StripSummary.Parts(new Strip { Stages = stages }).Single());
    }

    [Fact]
    public void Sends_ThatAreSetAlike_AreOne() =>
        Assert.Equal(
            $"sends to Cave, Slap, each at {new Decibels(-12)}, closed, Vat at {new Decibels(-12)}, before the fader, every return at {new Decibels(-3)}",
            StripSummary.Of(new Strip { Sends = [new("Cave", new(-12)), new("Vat", new(-12), TapPoint.Pre, Open: true), new("Slap", new(-12)), new("", new(-3), Open: true)] }));

    /// <summary>A chain is said where its first insert stands, whatever stands between.</summary>
    [Fact]
    public void StripSummary_OfAChainThatIsApart_SaysItOnce_WhereItBegins() =>
        Assert.Equal("Rust (compressor, limiter), gate", StripSummary.Of(new Strip
        {
            Inserts = [new(new("a"), "compressor"), new(new("b"), "gate"), new(new("c"), "limiter")],
            Chains = [new("rust", "Rust", [new("a"), new("c")])],
        }));
}
