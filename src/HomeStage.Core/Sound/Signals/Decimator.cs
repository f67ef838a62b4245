using System.Numerics.Tensors;
using System.Runtime.InteropServices;

namespace HomeStage.Core.Sound.Signals;

/// <summary>Takes every so many frames of a lane that comes piece by piece, with the kernel of <see cref="Resampler"/>: the same samples as from the whole lane, but for their rounding.</summary>
/// <param name="by">At least 1.</param>
public sealed class Decimator(int by)
{
    private readonly float[] _weights = WeightsOf(by);

    // What is still needed of the lane, and which frame of it that begins with.
    private readonly List<float> _kept = [];
    private long _keptFrom;
    private long _next;

    private int Before => _weights.Length / 2;

    /// <returns>A whole lane at once.</returns>
    public static float[] Whole(float[] lane, int by)
    {
        var decimator = new Decimator(by);
        return [.. decimator.Take(lane), .. decimator.End()];
    }

    /// <returns>The frames that are whole by now.</returns>
    public float[] Take(ReadOnlySpan<float> lane)
    {
        if (by == 1)
            return lane.ToArray();
        _kept.AddRange(lane);
        return Made(_keptFrom + _kept.Count - Before);
    }

    /// <returns>The last frames, behind which there is silence.</returns>
    public float[] End() => by == 1 ? [] : Made(_keptFrom + _kept.Count);

    /// <param name="end">Places before it are taken.</param>
    private float[] Made(long end)
    {
        var made = new List<float>();
        var kept = CollectionsMarshal.AsSpan(_kept);
        for (; _next * by < end; _next++)
        {
            var start = _next * by - Before - _keptFrom;
            var (first, last) = ((int)Math.Max(0, -start), (int)Math.Min(_weights.Length, kept.Length - start));
            made.Add(TensorPrimitives.Dot(kept.Slice((int)start + first, last - first), _weights.AsSpan(first, last - first)));
        }

        var gone = (int)Math.Clamp(_next * by - Before - _keptFrom, 0, _kept.Count);
        _kept.RemoveRange(0, gone);
        _keptFrom += gone;
        return [.. made];
    }

    private static float[] WeightsOf(int by)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(by, 1);
        var kernel = new SincKernel(by);
        var before = (int)Math.Floor(kernel.Reach);
        return [.. Enumerable.Range(-before, 2 * before + 1).Select(k => (float)kernel.At(k))];
    }
}
