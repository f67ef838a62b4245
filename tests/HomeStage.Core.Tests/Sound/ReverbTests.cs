using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
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
        var left = new double[band.Length + 1];
        for (var i = band.Length - 1; i >= 0; i--)
            left[i] = left[i + 1] + (double)band[i] * band[i];
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
