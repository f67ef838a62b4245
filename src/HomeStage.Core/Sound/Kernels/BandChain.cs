using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>Up to eight second-order sections in a row on one lane, all at work at once: each step hands every section the
/// sample that the one before it has just finished.</summary>
/// <remarks>Section 0 sits in the vector's last element and the last section in its first, where the finished sample leaves.
/// At the ends of a stretch, sections that have no sample of it yet, or no more, keep their state, so that the block size
/// changes nothing. What has died is laid to rest at fixed frames.</remarks>
public sealed class BandChain
{
    /// <summary>Most sections.</summary>
    public const int Width = 8;

    private const int RestEvery = 512;
    private const float Dead = 1e-18f;
    private static readonly Vector256<int> Behind = Vector256.Create(7, 6, 5, 4, 3, 2, 1, 0);

    private readonly float[] _out = new float[RestEvery + 2 * Width];
    private Coefficients _by;
    private Vector256<float> _first;
    private Vector256<float> _second;
    private Vector256<float> _passing;
    private int _sinceRest;

    /// <param name="sections">At most <see cref="Width"/>.</param>
    public BandChain(IReadOnlyList<StateVariable> sections) => Retune(sections);

    /// <summary>Other sections in the same places; what they remember stays.</summary>
    public void Retune(IReadOnlyList<StateVariable> sections)
    {
        if (sections.Count > Width)
            throw new ArgumentOutOfRangeException(nameof(sections), sections.Count, "A chain holds eight sections.");
        var all = Enumerable.Range(0, Width).Select(lane => Width - 1 - lane < sections.Count ? sections[Width - 1 - lane] : StateVariable.Unity).ToArray();
        Vector256<float> Row(Func<StateVariable, float> of) => Vector256.Create([.. all.Select(of)]);
        _by = new(Row(s => s.D0), Row(s => s.D1), Row(s => s.D2), Row(s => s.E), Row(s => s.B), Row(s => s.C));
    }

    public void Reset()
    {
        (_first, _second, _passing) = (default, default, default);
        _sinceRest = 0;
    }

    public void Process(Span<float> lane)
    {
        while (!lane.IsEmpty)
        {
            var stretch = Math.Min(RestEvery - _sinceRest, lane.Length);
            Run(lane[..stretch]);
            Rested(stretch);
            lane = lane[stretch..];
        }
    }

    /// <summary>Two lanes through their chains side by side: the processor does one while it waits for the other.</summary>
    /// <param name="right">As long as <paramref name="left"/>; both chains have heard as much so far.</param>
    public static void Process(BandChain forLeft, Span<float> left, BandChain forRight, Span<float> right)
    {
        if (forLeft._sinceRest != forRight._sinceRest)
        {
            forLeft.Process(left);
            forRight.Process(right);
            return;
        }

        while (!left.IsEmpty)
        {
            var stretch = Math.Min(RestEvery - forLeft._sinceRest, left.Length);
            Run(forLeft, left[..stretch], forRight, right[..stretch]);
            forLeft.Rested(stretch);
            forRight.Rested(stretch);
            left = left[stretch..];
            right = right[stretch..];
        }
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void Run(Span<float> lane)
    {
        var whole = lane.Length;
        var filled = Math.Min(Width - 1, whole);
        for (var t = 0; t < filled; t++)
            EdgeStep(t, lane[t], whole);
        var ((d0, d1, d2, e, b, c), first, second, passing) = (_by, _first, _second, _passing);
        ref var input = ref MemoryMarshal.GetReference(lane);
        ref var output = ref MemoryMarshal.GetArrayDataReference(_out);
        for (var t = filled; t < whole; t++)
        {
            var x = Handed(passing, Unsafe.Add(ref input, t));
            var w = x - second;
            passing = Vector256.FusedMultiplyAdd(d0, x, Vector256.FusedMultiplyAdd(d1, first, d2 * second));
            second = Vector256.FusedMultiplyAdd(c, w, Vector256.FusedMultiplyAdd(b, first, second));
            first = Vector256.FusedMultiplyAdd(b, w, Vector256.FusedMultiplyAdd(e, first, first));
            passing.StoreUnsafe(ref output, (nuint)t);
        }

        (_first, _second, _passing) = (first, second, passing);
        for (var t = whole; t < whole + Width - 1; t++)
            EdgeStep(t, 0, whole);
        _out.AsSpan(Width - 1, whole).CopyTo(lane);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static void Run(BandChain l, Span<float> left, BandChain r, Span<float> right)
    {
        var whole = left.Length;
        var filled = Math.Min(Width - 1, whole);
        for (var t = 0; t < filled; t++)
        {
            l.EdgeStep(t, left[t], whole);
            r.EdgeStep(t, right[t], whole);
        }

        var ((d0, d1, d2, e, b, c), first, second, passing) = (l._by, l._first, l._second, l._passing);
        var ((d0R, d1R, d2R, eR, bR, cR), firstR, secondR, passingR) = (r._by, r._first, r._second, r._passing);
        ref var input = ref MemoryMarshal.GetReference(left);
        ref var inputR = ref MemoryMarshal.GetReference(right);
        ref var output = ref MemoryMarshal.GetArrayDataReference(l._out);
        ref var outputR = ref MemoryMarshal.GetArrayDataReference(r._out);
        for (var t = filled; t < whole; t++)
        {
            var x = Handed(passing, Unsafe.Add(ref input, t));
            var xR = Handed(passingR, Unsafe.Add(ref inputR, t));
            var w = x - second;
            var wR = xR - secondR;
            passing = Vector256.FusedMultiplyAdd(d0, x, Vector256.FusedMultiplyAdd(d1, first, d2 * second));
            passingR = Vector256.FusedMultiplyAdd(d0R, xR, Vector256.FusedMultiplyAdd(d1R, firstR, d2R * secondR));
            second = Vector256.FusedMultiplyAdd(c, w, Vector256.FusedMultiplyAdd(b, first, second));
            secondR = Vector256.FusedMultiplyAdd(cR, wR, Vector256.FusedMultiplyAdd(bR, firstR, secondR));
            first = Vector256.FusedMultiplyAdd(b, w, Vector256.FusedMultiplyAdd(e, first, first));
            firstR = Vector256.FusedMultiplyAdd(bR, wR, Vector256.FusedMultiplyAdd(eR, firstR, firstR));
            passing.StoreUnsafe(ref output, (nuint)t);
            passingR.StoreUnsafe(ref outputR, (nuint)t);
        }

        (l._first, l._second, l._passing) = (first, second, passing);
        (r._first, r._second, r._passing) = (firstR, secondR, passingR);
        for (var t = whole; t < whole + Width - 1; t++)
        {
            l.EdgeStep(t, 0, whole);
            r.EdgeStep(t, 0, whole);
        }

        l._out.AsSpan(Width - 1, whole).CopyTo(left);
        r._out.AsSpan(Width - 1, whole).CopyTo(right);
    }

    /// <summary>Every section's sample to the next one, and a new one to the first.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector256<float> Handed(Vector256<float> passing, float sample) =>
        Vector256.ConditionalSelect(
            Vector256.Create(0, 0, 0, 0, 0, 0, 0, -1).AsSingle(),
            Vector256.Create(sample),
            Vector256.Shuffle(passing, Vector256.Create(1, 2, 3, 4, 5, 6, 7, 0)));

    /// <summary>One step in which only the sections between the stretch's ends may change.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void EdgeStep(int t, float sample, int whole)
    {
        var (d0, d1, d2, e, b, c) = _by;
        var place = Vector256.Create(t) - Behind;
        var live = (Vector256.GreaterThanOrEqual(place, Vector256<int>.Zero) & Vector256.LessThan(place, Vector256.Create(whole))).AsSingle();
        var x = Handed(_passing, sample);
        var w = x - _second;
        var (first, second) = (_first, _second);
        _passing = Vector256.FusedMultiplyAdd(d0, x, Vector256.FusedMultiplyAdd(d1, first, d2 * second));
        _second = Vector256.ConditionalSelect(live, Vector256.FusedMultiplyAdd(c, w, Vector256.FusedMultiplyAdd(b, first, second)), second);
        _first = Vector256.ConditionalSelect(live, Vector256.FusedMultiplyAdd(b, w, Vector256.FusedMultiplyAdd(e, first, first)), first);
        _passing.CopyTo(_out.AsSpan(t));
    }

    private void Rested(int frames)
    {
        _sinceRest += frames;
        if (_sinceRest < RestEvery)
            return;
        _sinceRest = 0;
        var dead = Vector256.Create(Dead);
        _first = Vector256.ConditionalSelect(Vector256.LessThan(Vector256.Abs(_first), dead), default, _first);
        _second = Vector256.ConditionalSelect(Vector256.LessThan(Vector256.Abs(_second), dead), default, _second);
    }

    private readonly record struct Coefficients(
        Vector256<float> D0, Vector256<float> D1, Vector256<float> D2, Vector256<float> E, Vector256<float> B, Vector256<float> C);
}
