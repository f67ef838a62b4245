using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Tests.Sound;

/// <summary>The synthetic stereo cases of EBU Tech 3341 for momentary and short-term loudness and those of EBU Tech 3342 for
/// the range: 1 kHz on both sides, dBFS and seconds in order (all from memory).</summary>
public class LoudnessOverTimeTests
{
    private const double Silence = double.NegativeInfinity;

    [Fact]
    public void Case9_ShortTerm_IsConstantOnceThreeSecondsAreHeard()
    {
        var meter = Heard([.. Enumerable.Repeat(new[] { (-20.0, 1.34), (-30.0, 1.66) }, 5).SelectMany(x => x)]);

        Assert.All(Enumerable.Range(300, meter.Hops - 300), hop => Assert.Equal(-23, meter.ShortTermLufs(hop), 0.1));
    }

    [Fact]
    public void Case10_ShortTerm_OfAToneThatStartsAnywhere_ReachesItsLevel()
    {
        Assert.All(Enumerable.Range(1, 20), i => Assert.Equal(-23, Heard((Silence, i * 0.15), (-23, 3), (Silence, 1)).LoudestShortTermLufs!.Value, 0.1));
    }

    [Fact]
    public void Case11_ShortTerm_OfTonesThatGrow_FollowsEach()
    {
        var meter = new LoudnessMeter(2, Signals.Rate);
        for (var i = 1; i <= 20; i++)
        {
            Hear(meter, (Silence, i * 0.15), (-38 + i, 3), (Silence, 3 - i * 0.15));
            Assert.Equal(-38 + i, meter.LoudestShortTermLufs!.Value, 0.1);
        }
    }

    [Fact]
    public void Case12_Momentary_IsConstantOnceASecondIsHeard()
    {
        var meter = Heard([.. Enumerable.Repeat(new[] { (-20.0, 0.18), (-30.0, 0.22) }, 25).SelectMany(x => x)]);

        Assert.All(Enumerable.Range(100, meter.Hops - 100), hop => Assert.Equal(-23, meter.MomentaryLufs(hop), 0.1));
    }

    [Fact]
    public void Case13_Momentary_OfAToneThatStartsAnywhere_ReachesItsLevel()
    {
        Assert.All(Enumerable.Range(1, 20), i => Assert.Equal(-23, Heard((Silence, i * 0.02), (-23, 0.4), (Silence, 1)).LoudestMomentaryLufs!.Value, 0.1));
    }

    [Fact]
    public void Case14_Momentary_OfTonesThatGrow_FollowsEach()
    {
        var meter = new LoudnessMeter(2, Signals.Rate);
        for (var i = 1; i <= 20; i++)
        {
            Hear(meter, (Silence, i * 0.02), (-38 + i, 0.4), (Silence, 0.4 - i * 0.02));
            Assert.Equal(-38 + i, meter.LoudestMomentaryLufs!.Value, 0.1);
        }
    }

    /// <summary>Tech 3342, cases 1 to 4; the document allows 1 LU.</summary>
    [Theory]
    [InlineData(10, new[] { -20.0, -30 })]
    [InlineData(5, new[] { -20.0, -15 })]
    [InlineData(20, new[] { -40.0, -20 })]
    [InlineData(15, new[] { -50.0, -35, -20, -35, -50 })]
    public void Range_OfTheSineCases_IsWhatTheDocumentSays(double expectedLu, double[] levels)
    {
        Assert.Equal(expectedLu, Heard([.. levels.Select(l => (l, 20.0))]).RangeLu!.Value, 1.0);
    }

    [Fact]
    public void Range_OfLessThanThreeSeconds_IsNotMeasurable()
    {
        Assert.Null(Heard((-23, 2.9)).RangeLu);
    }

    private static LoudnessMeter Heard(params (double Dbfs, double Seconds)[] parts)
    {
        var meter = new LoudnessMeter(2, Signals.Rate);
        Hear(meter, parts);
        return meter;
    }

    private static void Hear(LoudnessMeter meter, params (double Dbfs, double Seconds)[] parts)
    {
        foreach (var (dbfs, seconds) in parts)
        {
            var sine = Signals.Sine(1000, Math.Pow(10, dbfs / 20), (int)Math.Round(seconds * Signals.Rate));
            var block = new SignalBlock(2, Math.Max(1, sine.Length));
            sine.CopyTo(block.Lane(0, sine.Length));
            sine.CopyTo(block.Lane(1, sine.Length));
            meter.Add(block, sine.Length);
        }
    }
}
