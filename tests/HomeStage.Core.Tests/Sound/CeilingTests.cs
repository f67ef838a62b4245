using HomeStage.Core.Sound.Processors;

namespace HomeStage.Core.Tests.Sound;

/// <summary>What holds a signal at a ceiling, looked at by a reconstruction that is not its own.</summary>
public class CeilingTests
{
    private const int Times = 32;
    private const int Side = 64;

    /// <summary>Between the samples at 32 times the rate, by a sinc of 64 taps a side under a Hann window; content below 0.45 of the rate.</summary>
    [Theory]
    [InlineData(0.5, 5, -1)]
    [InlineData(2, 80, -1)]
    [InlineData(2, 80, -6)]
    [InlineData(10, 500, -3)]
    public void Limiter_LetsNothingBetweenSamplesOverItsCeiling_ByMoreThanAFifthOfADb(double lookAheadMs, double releaseMs, double ceilingDb)
    {
        foreach (var (name, input) in Band())
        {
            var settings = Map<double>.Empty.With("ceiling-db", ceilingDb).With("input-db", 12).With("look-ahead-ms", lookAheadMs).With("release-ms", releaseMs);
            var output = Signals.Through(new LimiterProcessor(settings, null, 1, Signals.Rate), input);

            Assert.True(TruePeakDb(output) <= ceilingDb + 0.2, $"{name}: {TruePeakDb(output):0.00} dB over a ceiling of {ceilingDb}");
            Assert.True(TruePeakDb(output) > ceilingDb - 1, $"{name}: it does not come near its ceiling.");
        }
    }

    [Theory]
    [InlineData(-1, 0)]
    [InlineData(-6, 0)]
    [InlineData(-6, 1)]
    [InlineData(-18, 1)]
    public void Clipper_LetsNoSampleOverItsCeiling(double ceilingDb, double oversampling)
    {
        foreach (var (name, input) in Band().Append(("White noise", Signals.Noise(Signals.Rate))))
        {
            var settings = Map<double>.Empty.With("ceiling-db", ceilingDb).With("input-db", 12).With("oversampling", oversampling);
            var peakDb = Signals.Db(Signals.Through(new ClipperProcessor(settings, 1), input).Max(Math.Abs));

            Assert.True(peakDb <= ceilingDb + 1e-5 && peakDb > ceilingDb - 2, $"{name}: {peakDb:0.000} dBFS under a ceiling of {ceilingDb}");
        }
    }

    /// <summary>Sounds that have nothing above 0.45 of the rate, up to full scale.</summary>
    private static IEnumerable<(string Name, float[] Samples)> Band()
    {
        yield return ("Many sines", Scaled(Sines(60, 7)));
        yield return ("A sine at 0.449 of the rate that swells", [.. Enumerable.Range(0, Signals.Rate / 2).Select(i => (float)(Math.Min(1, i / 9600.0) * Math.Sin(2 * Math.PI * 0.449 * i + 0.4)))]);
        yield return ("A sine at a quarter of the rate between its samples", [.. Enumerable.Range(0, Signals.Rate / 4).Select(i => (float)Math.Sin(Math.PI / 2 * i + Math.PI / 4))]);
        yield return ("Bursts", Scaled([.. Sines(40, 3).Select((x, i) => x * Math.Exp(-i % 6000 / 400.0))]));
    }

    private static double[] Sines(int count, int seed)
    {
        var random = new Random(seed);
        var sines = Enumerable.Range(0, count).Select(_ => (Hz: 40 + random.NextDouble() * 21400, Turn: random.NextDouble() * 6.28)).ToList();
        return [.. Enumerable.Range(0, Signals.Rate / 2).Select(i => sines.Sum(s => Math.Sin(2 * Math.PI * s.Hz * i / Signals.Rate + s.Turn)))];
    }

    private static float[] Scaled(double[] samples)
    {
        var most = samples.Max(Math.Abs);
        return [.. samples.Select(s => (float)(s / most))];
    }

    private static double TruePeakDb(float[] samples)
    {
        // Only where it comes near: the rest cannot hold the largest.
        var near = 0.7f * samples.Max(Math.Abs);
        var kernel = Enumerable.Range(0, Times).Select(phase => Enumerable.Range(-Side + 1, 2 * Side).Select(k => Tap(k - phase / (double)Times)).ToArray()).ToArray();
        var most = 0.0;
        for (var n = Side; n < samples.Length - Side; n++)
            if (Math.Abs(samples[n]) > near || Math.Abs(samples[n + 1]) > near)
                foreach (var taps in kernel)
                {
                    var sum = 0.0;
                    for (var k = 0; k < taps.Length; k++)
                        sum += taps[k] * samples[n + k - Side + 1];
                    most = Math.Max(most, Math.Abs(sum));
                }

        return Signals.Db(most);
    }

    private static double Tap(double x) => (Math.Abs(x) < 1e-12 ? 1 : Math.Sin(Math.PI * x) / (Math.PI * x)) * (Math.Abs(x) >= Side ? 0 : 0.5 + 0.5 * Math.Cos(Math.PI * x / Side));
}
