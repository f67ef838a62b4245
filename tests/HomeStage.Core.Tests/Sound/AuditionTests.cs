using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

public class AuditionTests
{
    private static readonly Template Stage = OneBar(
        Bus("drums", "mix-bus"), Tone("a", "drums"), Tone("b", "mix-bus"), Trigger("pulse"),
        new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Source = new InputSource(1, null, true), Destination = new("mix-bus") }));

    [Fact]
    public void OneNote_SoundsAloneThroughItsPath_AsLongAsItIsHeld()
    {
        var heard = Rendered(Stage, "a");
        var held = (int)(Audition.HeldSeconds * 48000);

        // A tone of −6 dBFS from a stereo channel, all faders at rest.
        Assert.Equal(-6, heard.PeakDbfs!.Value, 0.05);
        Assert.True(heard.Left.Skip(held + 4800).All(x => x == 0));
        Assert.Equal(["a", "drums", "main", "mix-bus"], heard.Channels.Select(c => c.Channel.Value).Order(StringComparer.Ordinal));
    }

    [Fact]
    public void OneNote_IsTurnedByEveryFaderOnItsWay()
    {
        var turned = Stage.With(new SetLevel(new("a"), new(-3)), new SetLevel(new("drums"), new(-4)));

        Assert.Equal(-13, Rendered(turned, "a").PeakDbfs!.Value, 0.05);
    }

    [Fact]
    public void OneNote_OfEveryPieceOfTheStandInKits_IsHeard()
    {
        foreach (var kind in InstrumentCatalogue.All.Where(k => k.Kit is { Pieces.Count: > 0 }))
        {
            var kit = OneBar(new AddChannel(new()
            {
                Id = new("kit"),
                Name = kind.Name,
                Kind = ChannelKind.Instrument,
                Destination = new("mix-bus"),
                Source = new InstrumentSource(kind.Id, kind.Kit),
            }));
            // What leaves by another output than the first needs a split to be heard, here as in a song.
            Assert.All(kind.Kit!.Pieces.Where(p => p.Microphones[0].Output == 1), p => Assert.NotNull(Renderer.Render(Audition.Of(kit, new("kit"), p.Note, 100), new(InMix)).PeakDbfs));
        }
    }

    [Theory]
    [InlineData("voice", 60, 100, "wrong-place")]
    [InlineData("nobody", 60, 100, "unknown-channel")]
    [InlineData("a", 128, 100, "out-of-range")]
    [InlineData("a", 60, 0, "out-of-range")]
    public void Check_SaysWhatIsWrong(string channel, int note, int velocity, string code)
    {
        Assert.Equal(code, Audition.Check(Stage, InMix, new(channel), note, velocity)?.Code);
        Assert.Null(Audition.Check(Stage, InMix, new("a"), 60, 100));
    }

    [Theory]
    [InlineData(-6, -20)]
    [InlineData(-20, -6)]
    public void LoudnessMatch_TurnsTheLouderOneDown_AndThenBothReadAlike(double firstDb, double secondDb)
    {
        var (first, second) = (Signals.Sine(1000, (float)Math.Pow(10, firstDb / 20), 96000), Signals.Sine(400, (float)Math.Pow(10, secondDb / 20), 96000));
        var match = LoudnessMatch.Of(Read(first, 0), Read(second, 0))!;

        Assert.Equal(Read(first, match.FirstDb).LoudnessLufs!.Value, Read(second, match.SecondDb).LoudnessLufs!.Value, 0.01);
        Assert.Equal(match.Lufs, Read(first, match.FirstDb).LoudnessLufs!.Value, 0.01);
        Assert.Equal(0, Math.Max(match.FirstDb, match.SecondDb));
        Assert.Null(LoudnessMatch.Of(Read(first, 0), Read(new float[48000], 0)));
    }

    private static SoundMeters Read(float[] lane, double db)
    {
        float[] turned = [.. lane.Select(x => x * (float)Math.Pow(10, db / 20))];
        return SoundMeters.Of(turned, turned, 48000);
    }

    private static RenderedSound Rendered(Template template, string channel) => Renderer.Render(Audition.Of(template, new(channel), 60, 100), new(InMix));
}
