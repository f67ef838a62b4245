using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Sound;

public class DynamicsTests
{
    /// <summary>The paper's equations, frame by frame, in double precision: the second opinion on the quick form.</summary>
    [Theory]
    [InlineData(0.1, 120, 0)]
    [InlineData(10, 120, 6)]
    [InlineData(150, 20, 12)]
    public void Compressor_IsThePlainLaw(double attackMs, double releaseMs, double kneeDb)
    {
        var settings = Settings(("threshold-db", -24), ("ratio", 5), ("knee-db", kneeDb), ("attack-ms", attackMs), ("release-ms", releaseMs));
        var input = Swelling();
        var (attack, release, reduction) = (CompressorLaw.Smoothing(attackMs, Signals.Rate), CompressorLaw.Smoothing(releaseMs, Signals.Rate), 0.0);
        var expected = input.Select(x =>
        {
            var levelDb = Signals.Db(Math.Max(Math.Abs(x), 1e-10));
            var wanted = levelDb - CompressorLaw.OutputDb(levelDb, -24, 5, kneeDb);
            var keep = wanted > reduction ? attack : release;
            reduction = keep * reduction + (1 - keep) * wanted;
            return x * Math.Pow(10, -reduction / 20);
        }).ToArray();

        var output = Signals.Through(new CompressorProcessor(settings, null, Signals.Rate), input);

        // Single precision holds the share that one frame keeps, and so a time constant of 150 ms, within 0.05 %.
        Assert.All(Enumerable.Range(0, input.Length), i => Assert.Equal(expected[i], output[i], 5e-5));
    }

    /// <summary>The mean square of a sine lies 3.01 dB under its peak.</summary>
    [Fact]
    public void Compressor_ByTheMean_HearsASine3DbLower()
    {
        var compressor = new CompressorProcessor(Settings(("threshold-db", -40), ("ratio", 2), ("knee-db", 0), ("attack-ms", 50), ("release-ms", 50), ("detector", 1)), null, Signals.Rate);
        Signals.Through(compressor, Signals.Sine(1000, 1, 2 * Signals.Rate));

        Assert.Equal((40 - 3.0103) / 2, compressor.LastReductionDb, 0.02);
    }

    [Fact]
    public void Compressor_WithAHold_KeepsItsReductionThatLong_AndThenLetsGo()
    {
        var compressor = new CompressorProcessor(Settings(("threshold-db", -20), ("ratio", 4), ("knee-db", 0), ("attack-ms", 0.1), ("hold-ms", 100), ("release-ms", 50)), null, Signals.Rate);
        float[] Level(float level, int frames) => [.. Enumerable.Repeat(level, frames)];

        Signals.Through(compressor, Level(1, 4800));
        Signals.Through(compressor, Level(0, 4800));
        Assert.Equal(15, compressor.LastReductionDb, 0.001);

        Signals.Through(compressor, Level(0, 2400));
        Assert.Equal(15 * Math.Exp(-1), compressor.LastReductionDb, 0.01);
    }

    [Fact]
    public void Compressor_WithACutButNoKey_HearsItselfThroughTheCut()
    {
        double Reduction(KeyInput? key)
        {
            var compressor = new CompressorProcessor(Settings(("threshold-db", -30), ("ratio", 4)), key, Signals.Rate);
            Signals.Through(compressor, Signals.Sine(50, 0.9, Signals.Rate));
            return compressor.LastReductionDb;
        }

        Assert.True(Reduction(null) > 15);
        // Two octaves and more under the corner: 25 dB less are heard.
        Assert.True(Reduction(new(false, LowCutHz: 220)) < Reduction(null) / 2);
    }

    [Fact]
    public void Reduction_IsToldAtItsLargestInABlock()
    {
        var compressor = new CompressorProcessor(Settings(("threshold-db", -20), ("ratio", 4), ("knee-db", 0), ("attack-ms", 0.1), ("release-ms", 5)), null, Signals.Rate);
        var block = new SignalBlock(1, 4800);
        block.Lane(0, 4800)[..480].Fill(1);

        compressor.Process(block, null, 4800);

        Assert.Equal(15, compressor.LargestReductionDb, 0.01);
        Assert.True(compressor.LastReductionDb < 0.01);
    }

    /// <summary>By our own meter of BS.1770-5, Annex 2, whose error is tested elsewhere: 0.1 dB is the margin.</summary>
    [Theory]
    [InlineData(0.5, 5)]
    [InlineData(2, 20)]
    [InlineData(10, 500)]
    public void Limiter_KeepsTruePeaksUnderItsCeiling_Within100Millibels(double lookAheadMs, double releaseMs)
    {
        foreach (var input in new[] { Signals.Noise(Signals.Rate), BetweenSamples(), Swelling() })
        {
            var limiter = new LimiterProcessor(Settings(("ceiling-db", -1), ("input-db", 12), ("look-ahead-ms", lookAheadMs), ("release-ms", releaseMs)), null, 1, Signals.Rate);
            var output = Signals.Through(limiter, input);
            var (meter, block) = (new TruePeakMeter(1), new SignalBlock(1, output.Length));
            output.CopyTo(block.Lane(0, output.Length));
            meter.Add(block, output.Length);
            meter.End();

            Assert.True(meter.TruePeakDbtp <= -0.9, $"{meter.TruePeakDbtp}");
        }
    }

    [Fact]
    public void Limiter_WithAKey_TurnsDownByTheKeyAlone()
    {
        var limiter = new LimiterProcessor(Settings(("ceiling-db", -6), ("release-ms", 1000)), new(true), 1, Signals.Rate);
        var quiet = Signals.Through(limiter, Signals.Sine(1000, 0.1, 9600), [.. Enumerable.Repeat(1f, 9600)]);

        Assert.Equal(6, limiter.LargestReductionDb, 0.01);
        Assert.Equal(-6, Signals.Db(Signals.Amplitude(quiet.AsSpan(4800), 1000) / 0.1), 0.01);
    }

    [Fact]
    public void Gate_WithAKeyAndACut_OpensByWhatIsLeftOfTheKey()
    {
        double Out(double keyHz)
        {
            var gate = new GateProcessor(Settings(("threshold-db", -20), ("range-db", 60)), new(true, LowCutHz: 1000), Signals.Rate);
            return Signals.Amplitude(Signals.Through(gate, Signals.Sine(400, 0.5, 9600), Signals.Sine(keyHz, 0.5, 9600)).AsSpan(4800), 400);
        }

        Assert.True(Signals.Db(Out(4000) / 0.5) > -0.1);
        Assert.True(Signals.Db(Out(60) / 0.5) < -55);
    }

    /// <summary>A quarter of the sample rate, struck between its samples: its true peak is 3.01 dB over them.</summary>
    private static float[] BetweenSamples() =>
        [.. Enumerable.Range(0, 9600).Select(i => i % 2400 < 1200 ? (float)Math.Sin(Math.PI / 2 * i + Math.PI / 4) : 0)];

    private static float[] Swelling() =>
        [.. Signals.Noise(Signals.Rate, 4).Select((x, i) => x * (float)Math.Pow(Math.Sin(Math.PI * i / 9000), 2))];

    private static Map<double> Settings(params (string Id, double Value)[] values) =>
        values.Aggregate(Map<double>.Empty, (map, v) => map.With(v.Id, v.Value));
}
