using System.Numerics.Tensors;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Bends one lane at four times its sample rate, so that what bending adds above the band does not fold back into it.</summary>
/// <remarks>Up and down by one filter of linear phase: a sinc of 97 taps under a Kaiser window (β = 8), its edge at 0.46 of
/// the lane's rate. Both together are late by <see cref="LatencyFrames"/>.</remarks>
public sealed class Oversampler
{
    /// <summary>Frames by which the lane is late.</summary>
    public const int LatencyFrames = 24;

    private const int Times = 4;
    private const int Taps = LatencyFrames * Times + 1;
    private const double Beta = 8;
    private const double Edge = 0.92;
    private const int Reach = LatencyFrames + 1;
    private const int Kept = Taps + Times - 1;
    private static readonly float[] Filter = Design();
    private static readonly float[][] Phases = [.. Enumerable.Range(0, Times).Select(Phase)];

    // Each ring is held twice in a row, so that any stretch of it lies in one piece.
    private readonly float[] _before = new float[2 * Reach];
    private readonly float[] _bent = new float[2 * Kept];
    private int _beforePlace;
    private int _bentPlace;

    /// <param name="bend">Without memory; takes and gives a sample.</param>
    public float Next(float sample, Func<float, float> bend)
    {
        _before[_beforePlace] = _before[_beforePlace + Reach] = sample;
        _beforePlace = _beforePlace + 1 == Reach ? 0 : _beforePlace + 1;
        var heard = _before.AsSpan(_beforePlace, Reach);
        foreach (var phase in Phases)
        {
            _bent[_bentPlace] = _bent[_bentPlace + Kept] = bend(TensorPrimitives.Dot(phase, heard));
            _bentPlace = _bentPlace + 1 == Kept ? 0 : _bentPlace + 1;
        }

        // The newest three lie between this frame and the next; the frame itself is the last of the rest.
        return TensorPrimitives.Dot(Filter, _bent.AsSpan(_bentPlace, Taps));
    }

    public void Reset()
    {
        Array.Clear(_before);
        Array.Clear(_bent);
        (_beforePlace, _bentPlace) = (0, 0);
    }

    /// <summary>Every fourth tap of the filter, the one for the oldest sample first, raised by what the gaps between samples take.</summary>
    private static float[] Phase(int phase) =>
        [.. Enumerable.Range(0, Reach).Select(i => phase + Times * (Reach - 1 - i)).Select(tap => tap < Taps ? Times * Filter[tap] : 0)];

    private static float[] Design()
    {
        const double Middle = (Taps - 1) / 2.0;
        var taps = Enumerable.Range(0, Taps).Select(i => Tap(i - Middle)).ToArray();
        var sum = taps.Sum();
        return [.. taps.Select(t => (float)(t / sum))];

        static double Tap(double x) => Kaiser.At(x / (Middle + 1), Beta) * (Math.Abs(x) < 1e-12 ? 1 : Math.Sin(Math.PI * x * Edge / Times) / (Math.PI * x * Edge / Times));
    }
}
