using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using System.Runtime.Intrinsics.X86;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>What a compressor does to a lane, in the numbers that its kernels work with.</summary>
/// <param name="ThresholdDb">dBFS.</param>
/// <param name="Slope">1 − 1 / ratio.</param>
/// <param name="PerKnee">1 / (2·knee); 0 without one.</param>
/// <param name="KneeBottom">The amplitude below which nothing is taken off.</param>
/// <param name="Attack">Share of the old value that a frame keeps while the reduction grows.</param>
/// <param name="Release">The same while it falls; at least <paramref name="Attack"/>.</param>
/// <param name="Wet">In [0, 1].</param>
public readonly record struct CompressorLane(
    float ThresholdDb, float Slope, float KneeDb, float PerKnee, float KneeBottom, float Attack, float Release, float MakeUpDb, float Wet)
{
    public static readonly CompressorLane Idle = new(0, 0, 0, 0, float.MaxValue, 0.5f, 0.5f, 0, 0);
}

/// <summary>Eight compressors of eight lanes in lockstep, each by the peaks of its own lane or of its pair.</summary>
/// <remarks>The same steps in the same order as the compressor that works alone.</remarks>
public sealed class LockstepCompressor
{
    private const int RestEvery = 256;
    private const float Settled = 1e-6f;

    private readonly Vector256<float> _threshold, _slope, _knee, _half, _perKnee, _bottom, _attack, _byAttack, _release, _byRelease, _makeUp, _wet;
    private readonly float[] _reduction = new float[EightLanes.Width * RestEvery];
    private readonly bool _pairs;
    private Vector256<float> _last;
    private Vector256<float> _largest;
    private int _sinceRest;

    /// <param name="lanes">Eight.</param>
    /// <param name="pairs">Whether lanes 0 and 1, 2 and 3, … are sides of one signal, linked by the larger.</param>
    public LockstepCompressor(IReadOnlyList<CompressorLane> lanes, bool pairs)
    {
        if (lanes.Count != EightLanes.Width || lanes.Any(l => l.Attack > l.Release))
            throw new ArgumentException("Eight lanes whose attack is not slower than their release run in lockstep.", nameof(lanes));
        Vector256<float> Row(Func<CompressorLane, float> of) => Vector256.Create([.. lanes.Select(of)]);
        (_threshold, _slope, _knee, _half) = (Row(l => l.ThresholdDb), Row(l => l.Slope), Row(l => l.KneeDb), Row(l => l.KneeDb / 2));
        (_perKnee, _bottom, _makeUp, _wet) = (Row(l => l.PerKnee), Row(l => l.KneeBottom), Row(l => l.MakeUpDb), Row(l => l.Wet));
        (_attack, _byAttack, _release, _byRelease) = (Row(l => l.Attack), Row(l => 1 - l.Attack), Row(l => l.Release), Row(l => 1 - l.Release));
        _pairs = pairs;
    }

    /// <param name="lane">In [0, 8).</param>
    /// <returns>What was taken off at most since the start, in dB.</returns>
    public float LargestReductionDb(int lane) => _largest[lane];

    public void Process(EightLanes lanes, int frames)
    {
        for (var start = 0; start < frames;)
        {
            var stretch = Math.Min(RestEvery - _sinceRest, frames - start);
            Run(ref Unsafe.Add(ref lanes.First, EightLanes.Width * start), stretch);
            start += stretch;
            _sinceRest = (_sinceRest + stretch) % RestEvery;
            if (_sinceRest == 0)
                _last = Vector256.ConditionalSelect(Vector256.LessThan(_last, Vector256.Create(Settled)), default, _last);
        }
    }

    /// <summary>In three passes, since one long chain of steps keeps the processor waiting: the curve, the smoothing, the gain.</summary>
    private void Run(ref float lanes, int frames)
    {
        ref var reduction = ref MemoryMarshal.GetArrayDataReference(_reduction);
        Want(ref lanes, ref reduction, frames);
        Smooth(ref reduction, frames);
        Turn(ref lanes, ref reduction, frames);
    }

    /// <summary>What the static curve takes off at each frame.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void Want(ref float lanes, ref float wanted, int frames)
    {
        var (threshold, half, knee, slope, perKnee, bottom, pairs) = (_threshold, _half, _knee, _slope, _perKnee, _bottom, _pairs);
        var perOctave = Vector256.Create(Polynomials.DbPerOctave);
        for (var t = 0; t < EightLanes.Width * frames; t += EightLanes.Width)
        {
            var heard = Vector256.Abs(Vector256.LoadUnsafe(ref lanes, (nuint)t));
            if (pairs)
                heard = Vector256.MaxNative(heard, Swapped(heard));
            var over = Polynomials.Log2(heard) * perOctave - threshold;
            var within = Vector256.MinNative(Vector256.MaxNative(over + half, default), knee);
            var curve = slope * (within * within * perKnee + Vector256.MaxNative(over - half, default));
            Vector256.ConditionalSelect(Vector256.GreaterThan(heard, bottom), curve, default).StoreUnsafe(ref wanted, (nuint)t);
        }
    }

    /// <summary>Attack while it grows, release while it falls.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void Smooth(ref float reduction, int frames)
    {
        var (last, largest) = (_last, _largest);
        var (attack, byAttack, release, byRelease) = (_attack, _byAttack, _release, _byRelease);
        for (var t = 0; t < EightLanes.Width * frames; t += EightLanes.Width)
        {
            var wanted = Vector256.LoadUnsafe(ref reduction, (nuint)t);
            last = Vector256.MaxNative(Vector256.FusedMultiplyAdd(attack, last, byAttack * wanted), Vector256.FusedMultiplyAdd(release, last, byRelease * wanted));
            largest = Vector256.MaxNative(largest, last);
            last.StoreUnsafe(ref reduction, (nuint)t);
        }

        (_last, _largest) = (last, largest);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void Turn(ref float lanes, ref float reduction, int frames)
    {
        var (makeUp, wet, one) = (_makeUp, _wet, Vector256<float>.One);
        var perDb = Vector256.Create(1 / Polynomials.DbPerOctave);
        for (var t = 0; t < EightLanes.Width * frames; t += EightLanes.Width)
        {
            var gain = Polynomials.Exp2((makeUp - Vector256.LoadUnsafe(ref reduction, (nuint)t)) * perDb);
            (Vector256.LoadUnsafe(ref lanes, (nuint)t) * (one + wet * (gain - one))).StoreUnsafe(ref lanes, (nuint)t);
        }
    }

    /// <summary>Each side for the other.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector256<float> Swapped(Vector256<float> sides) =>
        Avx.IsSupported ? Avx.Permute(sides, 0xB1) : Vector256.Shuffle(sides, Vector256.Create(1, 0, 3, 2, 5, 4, 7, 6));
}
