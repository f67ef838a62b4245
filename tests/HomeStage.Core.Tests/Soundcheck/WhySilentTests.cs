using HomeStage.Core.Casting;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Soundcheck;

/// <summary>The engine decides: where reasons are given it renders silence, where it renders sound none are.</summary>
public class WhySilentTests
{
    private const int Enough = 5, MostSeeds = 400;

    [Fact]
    public void At_OnTemplatesByChance_AgreesWithTheEngine()
    {
        var (silent, sounding) = (0, 0);
        // Chance decides how many of either there are: it goes on until there are enough of both to say something.
        for (var seed = 0; seed < Runs.Of(12, 200) || (Math.Min(silent, sounding) <= Enough && seed < MostSeeds); seed++)
        {
            var template = new RandomTemplates(seed).Grown(60) with { Timeline = new(120, new(4, 4), [new("song", "Song", 2)]) };
            foreach (var channel in template.Channels.Where(c => Capabilities.Of(c.Kind).Sounds && c.StageIn(InMix) != StageState.InTheWings).Take(4))
            {
                if (template.Acts.All(a => a.Id != InMix))
                    continue;
                var reasons = WhySilent.At(template, channel.Id, InMix);
                var peak = Renderer.Render(template, new(InMix, channel.Id), shelf: new Steady()).PeakDbfs;

                Assert.True(peak is null || reasons.Count == 0, $"seed {seed}, {channel.Name}: sounds at {peak} dBFS, but {string.Join(" ", reasons)}");
                _ = reasons.Count > 0 ? silent++ : sounding++;
            }
        }

        Assert.True(silent > Enough && sounding > Enough, $"{silent} silent, {sounding} sounding");
    }

    public static TheoryData<string, Edit[]> Stops() => new()
    {
        { "Mix bus is fed by nothing.", [] },
        { "Tone a is muted.", [Tone("a", "mix-bus"), new SetMute(new("a"), true)] },
        { "Tone a has its fader all the way down.", [Tone("a", "mix-bus"), new SetLevel(new("a"), Decibels.Silence)] },
        { "Tone a rests in the wings.", [Tone("a", "mix-bus"), new SetStage(new("a"), InMix, StageState.InTheWings)] },
        { "Tone a plays no notes.", [Tone("a", "mix-bus"), new RemovePattern(new("a"), "Held")] },
        { "Input 1 is not monitored, and no sound is laid on it.", [new MakeChannel(new(ChannelKind.Audio))] },
        { "Mix bus is muted.", [Tone("a", "mix-bus"), new SetMute(EmptyStage.MixBus, true)] },
    };

    [Theory]
    [MemberData(nameof(Stops))]
    public void At_TheMain_SaysWhereSoundStops(string reason, Edit[] edits)
    {
        var template = OneBar(edits);

        Assert.Equal([reason], WhySilent.At(template, EmptyStage.Main, InMix).Select(r => r.Sentence));
        Assert.Null(Renderer.Render(template, new(InMix)).PeakDbfs);
    }

    /// <summary>A kit that nobody plays is told once, whichever of its splits one listens to.</summary>
    [Fact]
    public void At_TheSumOfSplits_TheMachineItselfIsTold()
    {
        var kit = CastPlan.Of(OneBar(), "Boxes: thump, tick, hiss; mono jacks").After;
        var player = kit.Channels.Single(c => c.Kind == ChannelKind.Instrument);
        var split = kit.Channels.First(c => c.Kind == ChannelKind.Split);

        Assert.Equal([$"{player.Name} plays no notes."], WhySilent.At(kit, player.Destination!.Value, InMix).Select(r => r.Sentence));
        Assert.Equal([$"{player.Name} plays no notes."], WhySilent.At(kit, split.Id, InMix).Select(r => r.Sentence));
        var resting = kit.With(new SetStage(player.Id, InMix, StageState.InTheWings));
        Assert.Equal([$"{player.Name} rests in the wings."], WhySilent.At(resting, split.Id, InMix).Select(r => r.Sentence));
        var played = kit.With(new PutPattern(player.Id, new("Hits", 960, [new(0, 240, ((InstrumentSource)player.Source!).Kit!.Lines.First(l => l.Piece is not null).Piece!.Note, 100)], [])));
        Assert.Equal([$"{player.Name} lets all its pieces leave by its splits."], WhySilent.At(played, player.Id, InMix).Select(r => r.Sentence));
    }

    [Fact]
    public void At_AReturnOfASendBeforeAFaderThatIsDown_HasNoReason()
    {
        var template = OneBar(Return("echo", "mix-bus"), Tone("a", "mix-bus"), new SetLevel(new("a"), Decibels.Silence), new PutSend(new("a"), new(new("echo"), new(0), TapPoint.Pre)));

        Assert.Empty(WhySilent.At(template, new("echo"), InMix));
        Assert.NotNull(Renderer.Render(template, new(InMix, new ChannelId("echo"))).PeakDbfs);
    }

    private sealed class Steady : IMediaShelf
    {
        private static readonly MediaSound Sound = new([Enumerable.Repeat(0.25f, 48000).ToArray()], 48000);

        public MediaSound? Find(string content) => Sound;
    }
}
