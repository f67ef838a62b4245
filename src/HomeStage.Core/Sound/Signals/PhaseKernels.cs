using System.Collections.Concurrent;
using System.Numerics.Tensors;

namespace HomeStage.Core.Sound.Signals;

/// <summary>The kernels of one ratio of sample rates, worked out once: places between frames repeat, 160 of them from 44,100 to 48,000 Hz.</summary>
internal sealed class PhaseKernels
{
    /// <summary>Ratios with more phases than this are not worth a table.</summary>
    private const int MostPhases = 1024;

    private const int MostRatios = 16;

    private static readonly ConcurrentDictionary<(int From, int To), PhaseKernels> Known = [];

    // The rates without what they share, so that a place is i·from/to.
    private readonly int _from;
    private readonly int _to;
    private readonly int _before;
    private readonly float[][] _weights;

    private PhaseKernels(int from, int to)
    {
        (_from, _to) = (from, to);
        var kernel = new SincKernel((double)from / to);
        _before = (int)Math.Ceiling(kernel.Reach);
        _weights = [.. Enumerable.Range(0, to).Select(phase => Weights(kernel, (double)phase / to, _before))];
    }

    /// <returns>Null where there would be too many.</returns>
    public static PhaseKernels? Between(int fromHz, int toHz)
    {
        var shared = (int)System.Numerics.BigInteger.GreatestCommonDivisor(fromHz, toHz);
        var ratio = (From: fromHz / shared, To: toHz / shared);
        if (ratio.To > MostPhases)
            return null;
        if (Known.TryGetValue(ratio, out var known))
            return known;
        if (Known.Count >= MostRatios)
            Known.Clear();
        return Known.GetOrAdd(ratio, r => new(r.From, r.To));
    }

    public float[] Convert(float[] lane, int frames)
    {
        var converted = new float[frames];
        for (var i = 0; i < frames; i++)
        {
            var (whole, phase) = Math.DivRem((long)i * _from, _to);
            var weights = _weights[phase];
            var start = (int)whole - _before;
            var first = Math.Max(0, -start);
            var last = Math.Min(weights.Length, lane.Length - start);
            if (last > first)
                converted[i] = TensorPrimitives.Dot(lane.AsSpan(start + first, last - first), weights.AsSpan(first, last - first));
        }

        return converted;
    }

    /// <summary>For frames from so many before a place to as many after it, which stands a part of a frame behind one.</summary>
    private static float[] Weights(SincKernel kernel, double part, int before) =>
        [.. Enumerable.Range(-before, 2 * before + 2).Select(k => Math.Abs(k - part) <= kernel.Reach ? (float)kernel.At(k - part) : 0)];
}
