using System.Numerics.Tensors;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>A feedback delay network of eight lines on two lanes, a stretch of frames at once and line by line.</summary>
/// <remarks>J.-M. Jot and A. Chaigne, "Digital delay networks for designing artificial reverberators", AES 90th Convention,
/// 1991, by the lengths and losses of <see cref="ReverbLaw"/>. The lines are mixed by a Householder matrix, I − (2/8)·11ᵀ,
/// which keeps energy. Even lines are fed by and heard on the left, odd ones on the right.
/// No line is as short as a stretch, so what a whole stretch is heard as is known before the first of its frames comes in.
/// A stretch that is not full yet is kept back, so that the block size changes nothing.</remarks>
public sealed class DelayNetwork
{
    private const int Lines = ReverbLaw.Lines;
    private const int Stretch = 128;

    // A ring for each line: what is read is what was written one length ago, at the same place.
    private readonly float[][] _rings = new float[Lines][];
    private readonly int[] _place = new int[Lines];
    private readonly float[] _keep = new float[Lines];
    private readonly float[] _last = new float[Lines];
    private readonly float[][] _kept = [.. Enumerable.Range(0, Lines).Select(_ => new float[Stretch])];
    private readonly float[] _sum = new float[Stretch];
    private readonly float[][] _heard = [new float[Stretch], new float[Stretch]];
    private readonly float[][] _fed = [new float[Stretch], new float[Stretch]];
    private readonly int _sampleRateHz;
    private readonly int[] _lengths;
    private readonly IReadOnlyList<double> _together;
    private OnePole _dull;
    private float _heardGain;
    private int _filled;

    /// <param name="decaySeconds">RT60, above 0.</param>
    /// <param name="size">Lengths of the lines against their usual ones, at least 0.2.</param>
    /// <param name="dampingHz">Above this the highs fall sooner.</param>
    /// <param name="sampleRateHz">Frames per second; the shortest line must hold a stretch.</param>
    public DelayNetwork(double decaySeconds, double size, double dampingHz, int sampleRateHz)
    {
        for (var i = 0; i < Lines; i++)
            _rings[i] = new float[ReverbLaw.LengthFrames(i, size, sampleRateHz)];
        if (_rings[0].Length < Stretch)
            throw new ArgumentOutOfRangeException(nameof(size), size, $"The shortest line must hold {Stretch} frames.");
        _sampleRateHz = sampleRateHz;
        _lengths = [.. _rings.Select(r => r.Length)];
        _together = ReverbLaw.Together(_lengths, sampleRateHz);
        Retune(decaySeconds, dampingHz);
    }

    /// <summary>Another decay and damping from the next stretch on.</summary>
    public void Retune(double decaySeconds, double dampingHz)
    {
        for (var i = 0; i < Lines; i++)
            _keep[i] = (float)ReverbLaw.Kept(_rings[i].Length, decaySeconds, _sampleRateHz);
        _dull = new(ReverbLaw.Dulled(dampingHz, _sampleRateHz));
        _heardGain = (float)ReverbLaw.EvenGain(_lengths, _together, decaySeconds, dampingHz, _sampleRateHz) / 2;
    }

    /// <summary>Changes two lanes in place.</summary>
    /// <param name="right">As long as <paramref name="left"/>.</param>
    public void Process(Span<float> left, Span<float> right)
    {
        for (var done = 0; done < left.Length;)
        {
            if (_filled == 0)
                Hear();
            var fresh = Math.Min(Stretch - _filled, left.Length - done);
            Exchange(0, left.Slice(done, fresh));
            Exchange(1, right.Slice(done, fresh));
            done += fresh;
            _filled = (_filled + fresh) % Stretch;
            if (_filled == 0)
                Feed();
        }
    }

    public void Reset()
    {
        foreach (var ring in _rings)
            Array.Clear(ring);
        Array.Clear(_place);
        Array.Clear(_last);
        _filled = 0;
    }

    /// <summary>Takes in what comes and gives what is heard in its place.</summary>
    private void Exchange(int side, Span<float> frames)
    {
        frames.CopyTo(_fed[side].AsSpan(_filled));
        _heard[side].AsSpan(_filled, frames.Length).CopyTo(frames);
    }

    /// <summary>What comes out of the lines over the next stretch, and what goes round.</summary>
    private void Hear()
    {
        Array.Clear(_sum);
        Array.Clear(_heard[0]);
        Array.Clear(_heard[1]);
        for (var i = 0; i < Lines; i += 2)
            HearPair(i);
    }

    /// <summary>A stretch of two lines: dulled, added to what is heard and kept for the next round.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void HearPair(int line)
    {
        ref var one = ref MemoryMarshal.GetReference(Late(line));
        ref var two = ref MemoryMarshal.GetReference(Late(line + 1));
        ref var keptOne = ref MemoryMarshal.GetArrayDataReference(_kept[line]);
        ref var keptTwo = ref MemoryMarshal.GetArrayDataReference(_kept[line + 1]);
        ref var left = ref MemoryMarshal.GetArrayDataReference(_heard[0]);
        ref var right = ref MemoryMarshal.GetArrayDataReference(_heard[1]);
        ref var sum = ref MemoryMarshal.GetArrayDataReference(_sum);
        var (keepOne, keepTwo) = (Vector256.Create(_keep[line]), Vector256.Create(_keep[line + 1]));
        var (lastOne, lastTwo) = (Vector256.Create(_last[line]), Vector256.Create(_last[line + 1]));
        var sign = Vector256.Create(ReverbLaw.HeardSign(line) * _heardGain);
        var dull = _dull;
        for (nuint at = 0; at < Stretch; at += (nuint)Vector256<float>.Count)
        {
            var nextOne = dull.Next(Vector256.LoadUnsafe(ref one, at), lastOne);
            var nextTwo = dull.Next(Vector256.LoadUnsafe(ref two, at), lastTwo);
            (lastOne, lastTwo) = (OnePole.Last(nextOne), OnePole.Last(nextTwo));
            Vector256.FusedMultiplyAdd(sign, nextOne, Vector256.LoadUnsafe(ref left, at)).StoreUnsafe(ref left, at);
            Vector256.FusedMultiplyAdd(sign, nextTwo, Vector256.LoadUnsafe(ref right, at)).StoreUnsafe(ref right, at);
            var (roundOne, roundTwo) = (keepOne * nextOne, keepTwo * nextTwo);
            roundOne.StoreUnsafe(ref keptOne, at);
            roundTwo.StoreUnsafe(ref keptTwo, at);
            (Vector256.LoadUnsafe(ref sum, at) + (roundOne + roundTwo)).StoreUnsafe(ref sum, at);
        }

        (_last[line], _last[line + 1]) = (OnePole.Settled(lastOne)[0], OnePole.Settled(lastTwo)[0]);
    }

    /// <summary>What came in and what goes round, mixed over all lines, into the lines.</summary>
    private void Feed()
    {
        foreach (var side in _fed)
            TensorPrimitives.MultiplyAdd(_sum, -2f / Lines, side, side);
        for (var i = 0; i < Lines; i++)
            FeedLine(i);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void FeedLine(int line)
    {
        var place = _place[line];
        var isWhole = place + Stretch <= _rings[line].Length;
        ref var fed = ref MemoryMarshal.GetArrayDataReference(_fed[line & 1]);
        ref var kept = ref MemoryMarshal.GetArrayDataReference(_kept[line]);
        ref var to = ref isWhole ? ref _rings[line][place] : ref kept;
        for (nuint at = 0; at < Stretch; at += (nuint)Vector256<float>.Count)
            OnePole.Settled(Vector256.LoadUnsafe(ref fed, at) + Vector256.LoadUnsafe(ref kept, at)).StoreUnsafe(ref to, at);
        _place[line] = (place + Stretch) % _rings[line].Length;
        if (isWhole)
            return;
        _kept[line].AsSpan(0, Stretch - _place[line]).CopyTo(_rings[line].AsSpan(place));
        _kept[line].AsSpan(Stretch - _place[line]).CopyTo(_rings[line]);
    }

    /// <summary>The next stretch of a line; beyond the end of its ring from the start again.</summary>
    private ReadOnlySpan<float> Late(int line)
    {
        var (ring, kept, place) = (_rings[line], _kept[line], _place[line]);
        if (place + Stretch <= ring.Length)
            return ring.AsSpan(place, Stretch);
        ring.AsSpan(place).CopyTo(kept);
        ring.AsSpan(0, place + Stretch - ring.Length).CopyTo(kept.AsSpan(ring.Length - place));
        return kept;
    }
}
