using System.Numerics;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using HomeStage.TestKit;
using HomeStage.TestKit.Plain;

namespace HomeStage.Core.Tests.Sound;

public class ReverbTests
{
    private const int Rate = 48000;

    /// <summary>Schroeder's integrated impulse response (J. Acoust. Soc. Am. 37, 1965), the slope from −5 to −35 dB as ISO 3382
    /// has it (from memory), taken on the low band that damping leaves alone.</summary>
    [Theory]
    [InlineData(0.5, 100)]
    [InlineData(1.2, 100)]
    [InlineData(2.0, 60)]
    [InlineData(4.0, 250)]
    public void Tail_FallsBySixtyDecibelsInItsDecay_WithinFivePercent(double decaySeconds, double sizePercent)
    {
        var tail = Impulse(decaySeconds, Map<double>.Empty.With("size-percent", sizePercent).With("damping-hz", 20000));

        Assert.InRange(Decay(tail) / decaySeconds, 0.95, 1.05);
    }

    /// <summary>The power of steady noise is that of the impulse response, coloured alike: what long noise tends to, without its chance.</summary>
    [Theory]
    [InlineData(100, 6000)]
    [InlineData(30, 20000, Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    [InlineData(250, 1500, Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    public void WetLevel_OfSteadyPinkNoise_IsThatOfWhatComesIn_WhateverTheDecay(double sizePercent, double dampingHz)
    {
        var levels = new List<double>();
        foreach (var lanes in new[] { 1, 2 })
            foreach (var decay in new[] { 0.3, 0.9, 2.5, 6, 10 })
            {
                var settings = Map<double>.Empty.With("decay-s", decay).With("size-percent", sizePercent).With("damping-hz", dampingHz);
                var pink = Signals.PinkOf(Signals.Impulse((int)((1.5 * decay + 1) * Rate)));
                new FilterCascade([FilterDesign.LowCut(20, Rate), FilterDesign.LowCut(20, Rate)]).Process(pink);
                var heard = Signals.Through(new ReverbProcessor(settings, lanes, Rate, 120), [.. Enumerable.Repeat(pink, lanes)]);
                levels.Add(10 * Math.Log10(heard.Average(Energy) / Energy(pink)));
            }

        Assert.All(levels, db => Assert.InRange(db, -1.25, 1.25));
        Assert.True(levels.Max() - levels.Min() < 1, string.Join(", ", levels));
    }

    /// <summary>By the slope of what lies within some 30 Hz of 1 kHz against the closed form; the lows keep the decay that was asked for.</summary>
    [Theory]
    [InlineData(2.6, 100, 6000)]
    [InlineData(2.6, 100, 2500)]
    [InlineData(1.1, 60, 4000)]
    [InlineData(5, 180, 3000)]
    public void DecayInTheMidBand_IsShorterByWhatDampingTakesEachRound(double decaySeconds, double sizePercent, double dampingHz)
    {
        var tail = Impulse(decaySeconds, Map<double>.Empty.With("size-percent", sizePercent).With("damping-hz", dampingHz));
        int[] lengths = [.. Enumerable.Range(0, ReverbLaw.Lines).Select(i => ReverbLaw.LengthFrames(i, sizePercent / 100, Rate))];

        var said = ReverbLaw.DecayAt(1000, lengths, decaySeconds, dampingHz, Rate);

        Assert.InRange(DecayAround(1000, tail) / said, 0.95, 1.05);
        Assert.True(said < 0.95 * decaySeconds);
        Assert.Equal(decaySeconds, ReverbLaw.DecayAt(50, lengths, decaySeconds, dampingHz, Rate), 0.02 * decaySeconds);
    }

    private static double Energy(float[] samples) => samples.Sum(s => (double)s * s);

    [Fact]
    public void Damping_LetsHighsFallSoonerThanLows()
    {
        var tail = Impulse(2, Map<double>.Empty.With("damping-hz", 2000));
        var high = tail.ToArray();
        new FilterCascade([FilterDesign.LowCut(6000, Rate), FilterDesign.LowCut(6000, Rate)]).Process(high);

        Assert.True(Decay(high, low: false) < 0.5 * Decay(tail));
    }

    [Fact]
    public void PreDelay_OfASixteenthAt120_KeepsTheTailBackBy125Milliseconds()
    {
        var plain = Impulse(1, Map<double>.Empty);
        var late = Impulse(1, Map<double>.Empty.With("pre-delay-quarters", 0.25));

        Assert.Equal(6000, FirstSound(late) - FirstSound(plain));
    }

    [Fact]
    public void Sides_OfAMonoInput_AreUnlike_AndAtNoWidthAlike()
    {
        var (left, right) = Both(Map<double>.Empty);
        var (narrowLeft, narrowRight) = Both(Map<double>.Empty.With("width-percent", 0));

        Assert.True(Math.Abs(Correlation(left, right)) < 0.3, $"{Correlation(left, right)}");
        Assert.Equal(narrowLeft, narrowRight);
    }

    /// <summary>The tail brought down by a frequency, smoothed three times over 20 ms, and its energy integrated backwards.</summary>
    private static double DecayAround(double hz, float[] tail)
    {
        var turned = tail.Select((s, i) => s * Complex.Exp(new(0, -2 * Math.PI * hz * i / Rate))).ToArray();
        for (var round = 0; round < 3; round++)
        {
            var sum = Complex.Zero;
            turned = [.. turned.Select((s, i) => sum += s - (i >= Rate / 50 ? turned[i - Rate / 50] : 0))];
        }

        return Slope([.. turned.Select(s => s.Magnitude)]);
    }

    private static float[] Impulse(double decaySeconds, Map<double> settings) => Both(settings.With("decay-s", decaySeconds), (int)(decaySeconds * Rate * 1.5)).Left;

    private static (float[] Left, float[] Right) Both(Map<double> settings, int frames = Rate)
    {
        var reverb = new ReverbProcessor(settings, 2, Rate, 120);
        var block = new SignalBlock(2, frames);
        block.Lane(0, frames)[0] = block.Lane(1, frames)[0] = 1;
        reverb.Process(block, null, frames);
        return (block.Lane(0, frames).ToArray(), block.Lane(1, frames).ToArray());
    }

    private static double Decay(float[] tail, bool low = true)
    {
        var band = tail.ToArray();
        if (low)
            new FilterCascade([FilterDesign.HighCut(800, Rate)]).Process(band);
        return Slope([.. band.Select(s => (double)s)]);
    }

    private static double Slope(double[] tail)
    {
        var left = new double[tail.Length + 1];
        for (var i = tail.Length - 1; i >= 0; i--)
            left[i] = left[i + 1] + tail[i] * tail[i];
        int At(double db) => Array.FindIndex(left, e => 10 * Math.Log10(e / left[0]) <= db);
        return 2.0 * (At(-35) - At(-5)) / Rate;
    }

    private static int FirstSound(float[] lane) => Array.FindIndex(lane, s => s != 0);

    private static double Correlation(float[] a, float[] b) =>
        a.Zip(b).Sum(x => (double)x.First * x.Second) / Math.Sqrt(a.Sum(x => (double)x * x) * b.Sum(x => (double)x * x));

    /// <summary>Eight frames at once in single precision against one frame at a time in double precision.</summary>
    [Theory]
    [InlineData(0.3, 20, 500)]
    [InlineData(2, 100, 6000)]
    [InlineData(12, 300, 20000)]
    public void Reverb_IsThePlainNetwork(double decaySeconds, double sizePercent, double dampingHz)
    {
        var settings = Map<double>.Empty.With("decay-s", decaySeconds).With("size-percent", sizePercent).With("damping-hz", dampingHz).With("pre-delay-quarters", 0.0625);
        float[][] burst = [[.. Signals.Noise(4800, 1), .. new float[Signals.Rate]], [.. Signals.Noise(4800, 2), .. new float[Signals.Rate]]];

        var plain = Signals.Through(new PlainReverb(settings, 2, Signals.Rate, 120), burst);
        var ours = Signals.Through(new ReverbProcessor(settings, 2, Signals.Rate, 120), burst);

        for (var lane = 0; lane < 2; lane++)
            Assert.All(Enumerable.Range(0, burst[0].Length), i => Assert.Equal(plain[lane][i], ours[lane][i], 1e-5));
    }
}
