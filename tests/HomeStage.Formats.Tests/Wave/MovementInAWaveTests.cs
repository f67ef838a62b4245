using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Formats.Wave;
using HomeStage.TestKit;
using NAudio.Wave;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Formats.Tests.Wave;

/// <summary>What moves, measured in the rendered file by a reader that is not ours, against formulas that are not the engine's.</summary>
public class MovementInAWaveTests
{
    private const double Seconds = 16;
    private const double ToneHz = 1000;
    private const int Rate = 48000;
    private static readonly ChannelId Organ = new("organ");

    // Four bars of 4/4 at 60 beats a minute: a tone of 1 kHz that is struck anew on every bar.
    private static readonly Template Stage = OneBar(Tone("organ", "mix-bus", ChannelFormat.Stereo, Insert("eq", ProcessorCatalogue.Equaliser), Insert("kept", ProcessorCatalogue.Gain)), Return("hall", "mix-bus"))
        with
    { Timeline = new(60, new(4, 4), [new("song", "Song", 4)]) };

    [Fact]
    public void AGainStage_MovesInAStraightLineOfDecibels()
    {
        var moved = Stage.With(new PutShape(Organ, new(new InsertTarget(new("kept"), "gain-db"), "song", [new(0, -18), new(1, 0)])));

        AssertFollows(moved, Organ, share => -18 + 18 * share, 0.02);
    }

    [Fact]
    public void ALowCut_MovesByOctaves_AndTurnsTheToneDownAsAButterworthDoes()
    {
        var moved = Stage.With(
            new SetParameter(Organ, new("eq"), "low-cut", 1),
            new PutShape(Organ, new(new InsertTarget(new("eq"), "low-cut-hz"), "song", [new(0, 125), new(1, 2000)])));

        // |H|² of a second-order Butterworth high-pass through the bilinear transform (Oppenheim and Schafer, from memory).
        AssertFollows(moved, Organ, share => -10 * Math.Log10(1 + Math.Pow(Warped(125 * Math.Pow(16, share)) / Warped(ToneHz), 4)), 0.05);
    }

    [Fact]
    public void AHighCut_DrawnInThreePoints_MovesByOctavesBetweenThem()
    {
        var moved = Stage.With(
            new SetParameter(Organ, new("eq"), "high-cut", 1),
            new PutShape(Organ, new(new InsertTarget(new("eq"), "high-cut-hz"), "song", [new(0, 8000), new(0.5, 500), new(1, 2000)])));

        AssertFollows(moved, Organ, share => -10 * Math.Log10(1 + Math.Pow(Warped(ToneHz) / Warped(Corner(share)), 4)), 0.05);

        static double Corner(double share) => share < 0.5 ? 8000 * Math.Pow(1.0 / 16, 2 * share) : 500 * Math.Pow(4, 2 * share - 1);
    }

    [Fact]
    public void ALever_MovesASendAndALevelTogether()
    {
        var moved = Stage.With(
            new PutSend(Organ, new(new("hall"), new(-20), TapPoint.Pre)),
            new PutLever(new("swell", "Swell", 0, [new(Organ, new SendTarget(new("hall")), -20, -8), new(Organ, new LevelTarget(), 0, -30)]) { Shapes = [new("song", [new(0, 0), new(0.25, 1), new(1, 0.5)])] }));

        AssertFollows(moved, new("hall"), share => -20 + 12 * Position(share), 0.02);
        AssertFollows(moved, Organ, share => -30 * Position(share), 0.02);

        static double Position(double share) => share < 0.25 ? 4 * share : 1 - 0.5 * (share - 0.25) / 0.75;
    }

    private static double Warped(double hz) => Math.Tan(Math.PI * hz / Rate);

    /// <summary>Holds the level over a tenth of a second, a few times a bar, against that of the tone at rest.</summary>
    /// <param name="expected">In dB, by the share of the section.</param>
    private static void AssertFollows(Template moved, ChannelId heard, Func<double, double> expected, double toleranceDb)
    {
        var rest = LevelsOf(Stage, Organ);
        var levels = LevelsOf(moved, heard);
        Assert.Equal(rest.Keys, levels.Keys);
        Assert.All(levels, at => Assert.Equal(expected(at.Key / Seconds), at.Value - rest[at.Key], toleranceDb));
    }

    private static Dictionary<double, double> LevelsOf(Template template, ChannelId heard)
    {
        var sound = Renderer.Render(template, new(template.Acts[0].Id, heard));
        using var file = new MemoryStream();
        WaveWriter.Write(sound, WaveDepth.Float32, file);
        file.Position = 0;
        using var reader = new WaveFileReader(file);
        var samples = reader.ToSampleProvider();
        var all = new float[reader.SampleCount * reader.WaveFormat.Channels];
        var read = samples.Read(all);
        Assert.Equal(all.Length, read);
        Assert.Equal(Rate, reader.WaveFormat.SampleRate);
        return Enumerable.Range(0, 16).Select(i => i + 0.37).ToDictionary(t => t, t => RmsDb(all, reader.WaveFormat.Channels, t));
    }

    private static double RmsDb(float[] all, int lanes, double at)
    {
        var (from, frames) = ((int)((at - 0.05) * Rate), Rate / 10);
        var square = Enumerable.Range(from, frames).Average(f => (double)all[f * lanes] * all[f * lanes]);
        return 10 * Math.Log10(square);
    }
}
