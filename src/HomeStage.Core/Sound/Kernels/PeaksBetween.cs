using System.Numerics.Tensors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>How far a lane swings at and between its samples.</summary>
/// <remarks>Three values between each two samples, or fifteen, by a sinc of 24 samples under a Kaiser window (β = 7), a design of our own;
/// each errs by less than 0.01 dB up to 0.45 of the sample rate. A swing at that frequency may go by between two of four values by 0.55 dB, and
/// between two of sixteen by 0.03 dB.</remarks>
public sealed class PeaksBetween
{
    /// <summary>Frames by which the answer is late: it looks 12 samples ahead.</summary>
    public const int LatencyFrames = Taps / 2;

    private const int Taps = 24;
    private const int Stretch = 256;
    private const double Beta = 7;

    // What lies below the half of the rate cannot swing over quarters by more than 1 / cos(π / 8), so that nothing is missed by not looking.
    private const float Near = 0.92f;

    private static readonly float[][] Quarters = [.. new[] { 4, 8, 12 }.Select(n => Phase(n / 16.0))];
    private static readonly float[][] Sixteenths = [.. Enumerable.Range(1, 15).Where(n => n % 4 != 0).Select(n => Phase(n / 16.0))];

    private readonly float[] _heard = new float[Taps - 1 + Stretch + Fir.Slack];
    private readonly float[] _between = new float[Stretch + Fir.Slack];

    /// <param name="peaks">As long as <paramref name="samples"/>. For frame n the largest magnitude at sample n − 12 and
    /// between it and the next one.</param>
    /// <param name="finelyFrom">Sixteenths are looked at wherever anything comes near this magnitude; infinity for quarters alone.</param>
    public void Process(ReadOnlySpan<float> samples, Span<float> peaks, float finelyFrom = float.PositiveInfinity)
    {
        for (var start = 0; start < samples.Length; start += Stretch)
        {
            var frames = Math.Min(Stretch, samples.Length - start);
            var most = peaks.Slice(start, frames);
            samples.Slice(start, frames).CopyTo(_heard.AsSpan(Taps - 1));
            TensorPrimitives.Abs(_heard.AsSpan(Taps / 2 - 1, frames), most);
            Look(Quarters, most);
            if (TensorPrimitives.Max<float>(most) >= Near * finelyFrom)
                Look(Sixteenths, most);

            _heard.AsSpan(frames, Taps - 1).CopyTo(_heard);
        }
    }

    private void Look(float[][] phases, Span<float> most)
    {
        foreach (var phase in phases)
        {
            Fir.Convolve(_heard, phase, _between, most.Length);
            var between = _between.AsSpan(0, most.Length);
            TensorPrimitives.Abs(between, between);
            TensorPrimitives.Max(most, between, most);
        }
    }

    public void Reset() => Array.Clear(_heard);

    private static float[] Phase(double share)
    {
        var taps = Enumerable.Range(0, Taps).Select(i => Windowed(i - (Taps / 2 - 1) - share)).ToArray();
        // At rest the interpolated sound is as loud as its samples.
        var sum = taps.Sum();
        return [.. taps.Select(t => (float)(t / sum))];
    }

    private static double Windowed(double x) => Sinc(x) * Kaiser.At(x / (Taps / 2.0), Beta);

    private static double Sinc(double x) => Math.Abs(x) < 1e-12 ? 1 : Math.Sin(Math.PI * x) / (Math.PI * x);
}
