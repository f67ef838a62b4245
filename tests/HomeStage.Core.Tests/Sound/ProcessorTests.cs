using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Tests.Sound;

public class ProcessorTests
{
    private const int Rate = 48000;

    [Theory]
    [InlineData(-1)]
    [InlineData(-6)]
    public void Limiter_LetsNoSampleOverItsCeiling_HoweverHotTheInput(double ceilingDb)
    {
        var random = new Random(3);
        var limiter = new LimiterProcessor(Map<double>.Empty.With("ceiling-db", ceilingDb).With("input-db", 18), null, 2, Rate);
        var block = new SignalBlock(2, Rate);
        for (var lane = 0; lane < 2; lane++)
            for (var i = 0; i < Rate; i++)
                block.Lane(lane, Rate)[i] = (float)((random.NextDouble() * 2 - 1) * (random.Next(50) == 0 ? 4 : 0.3));

        limiter.Process(block, null, Rate);

        // One part in a million for single precision.
        var most = Math.Pow(10, ceilingDb / 20) * (1 + 1e-6);
        Assert.All(block.Lane(0, Rate).ToArray().Concat(block.Lane(1, Rate).ToArray()), s => Assert.True(Math.Abs(s) <= most));
    }

    [Fact]
    public void Limiter_BelowItsCeiling_OnlyDelays()
    {
        var limiter = new LimiterProcessor(Map<double>.Empty.With("look-ahead-ms", 2), null, 1, Rate);
        var block = new SignalBlock(1, 1000);
        block.Lane(0, 1000)[10] = 0.5f;

        limiter.Process(block, null, 1000);

        var expected = new float[1000];
        expected[10 + 96 + PeaksBetween.LatencyFrames] = 0.5f;
        Assert.Equal(expected, block.Lane(0, 1000).ToArray());
    }

    [Fact]
    public void Delay_WithAnEighthAndAQuarterAt120_TapsAt250And500Milliseconds()
    {
        var delay = new DelayProcessor(Map<double>.Empty.With("left-quarters", 0.5).With("right-quarters", 1).With("feedback-percent", 0), 2, Rate, 120);
        var block = new SignalBlock(2, Rate);
        block.Lane(0, Rate)[0] = block.Lane(1, Rate)[0] = 1;

        delay.Process(block, null, Rate);

        Assert.Equal([12000], Sounding(block.Lane(0, Rate)));
        Assert.Equal([24000], Sounding(block.Lane(1, Rate)));
    }

    [Theory]
    [InlineData(12, 0.5)]
    [InlineData(12, 0.001)]
    [InlineData(0, 0.5)]
    public void Delay_WithADrivenLoop_BendsWhatGoesRound_AndLeavesTheFirstRepeatAsItCame(double driveDb, double level)
    {
        var delay = new DelayProcessor(Map<double>.Empty.With("left-quarters", 0.5).With("feedback-percent", 80).With("low-cut-hz", 20).With("high-cut-hz", 20000).With("drive-db", driveDb), 1, Rate, 120);
        // Long enough that the cuts of the loop have nothing to take.
        var tone = Signals.Sine(500, level, 4800);
        var heard = Signals.Through(delay, [.. tone, .. new float[3 * 12000]]);

        double Peak(int repeat) => heard[(repeat * 12000 + 2400)..(repeat * 12000 + 4300)].Max(Math.Abs);
        var drive = Math.Pow(10, driveDb / 20);
        // The Padé approximant of tanh, written out.
        double Bent(double x) => driveDb == 0 ? x : drive * x is var y && y >= 3 ? 1 / drive : y * (27 + y * y) / (27 + 9 * y * y) / drive;
        Assert.Equal(level, Peak(1), level * 0.002);
        Assert.Equal(0.8 * Bent(level), Peak(2), level * 0.01);
        Assert.True(driveDb == 0 || level < 0.01 || Peak(2) < 0.6 * 0.8 * level);
    }

    [Fact]
    public void Delay_WithFeedback_RepeatsAtItsTap_EachByThatMuchQuieter()
    {
        // A tone in the middle of the loop's cuts, so that they take little from it.
        var delay = new DelayProcessor(Map<double>.Empty.With("left-quarters", 0.5).With("feedback-percent", 50).With("low-cut-hz", 20).With("high-cut-hz", 20000), 1, Rate, 120);
        var block = new SignalBlock(1, Rate);
        for (var i = 0; i < 4800; i++)
            block.Lane(0, Rate)[i] = (float)Math.Sin(2 * Math.PI * 1000 * i / Rate);

        delay.Process(block, null, Rate);

        double Rms(int start) => Math.Sqrt(block.Lane(0, Rate).Slice(start + 1000, 2880).ToArray().Average(s => (double)s * s));
        Assert.Equal(0.5, Rms(24000) / Rms(12000), 0.01);
    }

    [Fact]
    public void Gain_MultipliesByItsRatio()
    {
        var block = new SignalBlock(1, 4);
        block.Lane(0, 4).Fill(0.1f);

        new GainProcessor(Map<double>.Empty.With("gain-db", 20)).Process(block, null, 4);

        Assert.All(block.Lane(0, 4).ToArray(), s => Assert.Equal(1, s, 1e-6));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(7)]
    [InlineData(64)]
    public void SlidingMinimum_IsTheSmallestOfTheWindow(int window)
    {
        var random = new Random(1);
        var values = Enumerable.Range(0, 500).Select(_ => (double)random.Next(40)).ToArray();
        var minimum = new SlidingMinimum(window);

        for (var i = 0; i < values.Length; i++)
            Assert.Equal(values[Math.Max(0, i - window + 1)..(i + 1)].Min(), minimum.Next(values[i]));
    }

    private static IEnumerable<int> Sounding(Span<float> lane)
    {
        var samples = lane.ToArray();
        return Enumerable.Range(0, samples.Length).Where(i => samples[i] != 0);
    }
}
