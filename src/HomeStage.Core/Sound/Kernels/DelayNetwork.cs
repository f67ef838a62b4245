using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>A feedback delay network of eight lines on two lanes, eight frames at once.</summary>
/// <remarks>J.-M. Jot and A. Chaigne, "Digital delay networks for designing artificial reverberators", AES 90th Convention,
/// 1991: a line of m frames keeps 10^(−3·m / (fs·RT60)) of what goes round, so that every line falls by 60 dB in the decay
/// time; a one-pole in each line lets the highs fall sooner. The lines are mixed by a Householder matrix, I − (2/8)·11ᵀ,
/// which keeps energy. Lengths are spread by a constant ratio and made prime, so that no two share a period. Even lines are
/// fed by and heard on the left, odd ones on the right.
/// No line is as short as eight frames, so eight can be read before the first is written. A group of eight that is not full
/// yet is worked out as far as it goes and kept back, so that the block size changes nothing.</remarks>
public sealed class DelayNetwork
{
    /// <summary>Frames at once.</summary>
    public const int Width = 8;

    private const int Lines = 8;
    private const double ShortestMs = 19;
    private const double Spread = 1.17;
    private const float Dead = 1e-15f;

    // All lines in one array, each a ring from its start: what is read is what was written one length ago.
    private readonly float[] _held;
    private readonly int[] _start = new int[Lines];
    private readonly int[] _length = new int[Lines];
    private readonly int[] _at = new int[Lines];
    private readonly int[] _smooth = new int[Lines];
    private readonly int[] _smoothLength = new int[Lines];
    private readonly float[] _keep = new float[Lines];
    private readonly float[] _dulled = new float[Lines];
    private readonly Vector256<float>[] _kept = new Vector256<float>[Lines];
    private Vector256<float> _share;
    private Vector256<float> _once;
    private Vector256<float> _twice;
    private Vector256<float> _fourTimes;
    private Vector256<float> _before;
    private readonly float[] _left = new float[Width];
    private readonly float[] _right = new float[Width];
    private readonly int _sampleRateHz;
    private int _filled;

    /// <param name="decaySeconds">RT60, above 0.</param>
    /// <param name="size">Lengths of the lines against their usual ones, at least 0.2.</param>
    /// <param name="dampingHz">Above this the highs fall sooner.</param>
    public DelayNetwork(double decaySeconds, double size, double dampingHz, int sampleRateHz)
    {
        for (var i = 0; i < Lines; i++)
            _length[i] = Prime((int)(ShortestMs * size * Math.Pow(Spread, i) * sampleRateHz / 1000));

        for (var i = 1; i < Lines; i++)
            _start[i] = _start[i - 1] + _length[i - 1] + 2 * Width;
        _held = new float[_start[^1] + _length[^1] + 2 * Width];
        _start.CopyTo(_at, 0);
        for (var i = 0; i < Lines; i++)
            (_smooth[i], _smoothLength[i]) = (_start[i] + 2 * Width, _length[i] - 2 * Width);
        _sampleRateHz = sampleRateHz;
        Retune(decaySeconds, dampingHz);
    }

    /// <summary>Another decay and damping from the next group on.</summary>
    public void Retune(double decaySeconds, double dampingHz)
    {
        for (var i = 0; i < Lines; i++)
            _keep[i] = (float)Math.Pow(10, -3 * _length[i] / (_sampleRateHz * decaySeconds));
        var dull = Math.Exp(-2 * Math.PI * dampingHz / _sampleRateHz);
        float Power(int n) => (float)Math.Pow(dull, n);
        // Nothing comes to a frame from before the group but by the last value.
        Vector256<float> From(int frame) => Vector256.Create([.. Enumerable.Range(0, Width).Select(i => i < frame ? 0 : Power(frame))]);
        (_share, _once, _twice, _fourTimes) = (Vector256.Create((float)(1 - dull)), From(1), From(2), From(4));
        _before = Vector256.Create([.. Enumerable.Range(1, Width).Select(Power)]);
    }

    /// <summary>Changes two lanes in place.</summary>
    /// <param name="right">As long as <paramref name="left"/>.</param>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public void Process(Span<float> left, Span<float> right)
    {
        var done = 0;
        if (_filled > 0)
            done = Part(left, right);
        for (; done + Width <= left.Length; done += Width)
        {
            ref var leftNow = ref Unsafe.Add(ref MemoryMarshal.GetReference(left), done);
            ref var rightNow = ref Unsafe.Add(ref MemoryMarshal.GetReference(right), done);
            var (heardLeft, heardRight) = Group(Vector256.LoadUnsafe(ref leftNow), Vector256.LoadUnsafe(ref rightNow), isWhole: true);
            heardLeft.StoreUnsafe(ref leftNow);
            heardRight.StoreUnsafe(ref rightNow);
        }

        if (done < left.Length)
            Part(left[done..], right[done..]);
    }

    public void Reset()
    {
        Array.Clear(_held);
        _start.CopyTo(_at, 0);
        Array.Clear(_dulled);
        Array.Clear(_left);
        Array.Clear(_right);
        _filled = 0;
    }

    /// <summary>As much as a group that is begun still takes.</summary>
    /// <returns>How many frames that was.</returns>
    private int Part(Span<float> left, Span<float> right)
    {
        var fresh = Math.Min(Width - _filled, left.Length);
        left[..fresh].CopyTo(_left.AsSpan(_filled));
        right[..fresh].CopyTo(_right.AsSpan(_filled));
        var (heardLeft, heardRight) = Group(Vector256.Create(_left), Vector256.Create(_right), _filled + fresh == Width);
        for (var i = 0; i < fresh; i++)
            (left[i], right[i]) = (heardLeft[_filled + i], heardRight[_filled + i]);
        _filled += fresh;
        if (_filled < Width)
            return fresh;
        _filled = 0;
        Array.Clear(_left);
        Array.Clear(_right);
        return fresh;
    }

    /// <param name="isWhole">Whether all eight frames are there, so that the lines go on; otherwise they stay as they are.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private (Vector256<float> Left, Vector256<float> Right) Group(Vector256<float> left, Vector256<float> right, bool isWhole)
    {
        ref var kept = ref MemoryMarshal.GetArrayDataReference(_kept);
        ref var held = ref MemoryMarshal.GetArrayDataReference(_held);
        ref var at = ref MemoryMarshal.GetArrayDataReference(_at);
        ref var keep = ref MemoryMarshal.GetArrayDataReference(_keep);
        ref var dulled = ref MemoryMarshal.GetArrayDataReference(_dulled);
        Vector256<float> sum = default, heardLeft = default, heardRight = default;
        for (var i = 0; i < Lines; i += 2)
        {
            ref var lastOne = ref Unsafe.Add(ref dulled, i);
            ref var lastTwo = ref Unsafe.Add(ref dulled, i + 1);
            var one = Dulled(Vector256.LoadUnsafe(ref held, (nuint)Unsafe.Add(ref at, i)), lastOne);
            var two = Dulled(Vector256.LoadUnsafe(ref held, (nuint)Unsafe.Add(ref at, i + 1)), lastTwo);
            if (isWhole)
                (lastOne, lastTwo) = (one[Width - 1], two[Width - 1]);
            var (keptOne, keptTwo) = (Vector256.Create(Unsafe.Add(ref keep, i)) * one, Vector256.Create(Unsafe.Add(ref keep, i + 1)) * two);
            (Unsafe.Add(ref kept, i), Unsafe.Add(ref kept, i + 1)) = (keptOne, keptTwo);
            sum += keptOne + keptTwo;
            // Signs that alternate from pair to pair keep the two sides apart.
            heardLeft = one - heardLeft;
            heardRight = two - heardRight;
        }

        if (isWhole)
        {
            var mixed = sum * Vector256.Create(2f / Lines);
            (left, right) = (left - mixed, right - mixed);
            for (var i = 0; i < Lines; i += 2)
            {
                Write(ref held, i, left + Unsafe.Add(ref kept, i));
                Write(ref held, i + 1, right + Unsafe.Add(ref kept, i + 1));
            }
        }

        return (heardLeft * Vector256.Create(-0.5f), heardRight * Vector256.Create(-0.5f));
    }

    /// <summary>A one-pole over eight frames, by doubling the reach of each frame three times.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Vector256<float> Dulled(Vector256<float> late, float last)
    {
        var x = _share * late;
        x = Vector256.FusedMultiplyAdd(_once, Vector256.Shuffle(x, Vector256.Create(0, 0, 1, 2, 3, 4, 5, 6)), x);
        x = Vector256.FusedMultiplyAdd(_twice, Vector256.Shuffle(x, Vector256.Create(0, 0, 0, 1, 2, 3, 4, 5)), x);
        x = Vector256.FusedMultiplyAdd(_fourTimes, Vector256.Shuffle(x, Vector256.Create(0, 0, 0, 0, 0, 1, 2, 3)), x);
        return Settled(Vector256.FusedMultiplyAdd(_before, Vector256.Create(last), x));
    }

    /// <summary>Puts eight frames into a line, which goes on by as many.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private void Write(ref float held, int line, Vector256<float> frames)
    {
        ref var at = ref Unsafe.Add(ref MemoryMarshal.GetArrayDataReference(_at), line);
        Settled(frames).StoreUnsafe(ref held, (nuint)at);
        at += Width;
        // Both ends of a ring lie outside of this stretch.
        if ((uint)(at - Unsafe.Add(ref MemoryMarshal.GetArrayDataReference(_smooth), line)) >= (uint)Unsafe.Add(ref MemoryMarshal.GetArrayDataReference(_smoothLength), line))
            at = TurnRound(line, at - Width - _start[line]);
    }

    /// <summary>What is too small to be heard is nothing: such numbers slow the machine down.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector256<float> Settled(Vector256<float> frames) =>
        Vector256.ConditionalSelect(Vector256.LessThan(Vector256.Abs(frames), Vector256.Create(Dead)), default, frames);

    /// <summary>At the ends of a ring: its first eight frames stand behind its end as well, so that eight can be read from any place.</summary>
    /// <returns>Where the next group stands.</returns>
    private int TurnRound(int line, int place)
    {
        var (start, length) = (_start[line], _length[line]);
        if (place < Width)
            _held.AsSpan(start + place, Width - place).CopyTo(_held.AsSpan(start + length + place));
        if (place + Width > length)
            _held.AsSpan(start + length, place + Width - length).CopyTo(_held.AsSpan(start));
        return start + (place + Width >= length ? place + Width - length : place + Width);
    }

    /// <returns>The smallest prime that is not below.</returns>
    private static int Prime(int from)
    {
        var candidate = Math.Max(2, from);
        while (Enumerable.Range(2, (int)Math.Sqrt(candidate) - 1).Any(d => candidate % d == 0))
            candidate++;
        return candidate;
    }
}
