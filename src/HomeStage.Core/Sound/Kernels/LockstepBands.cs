using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>Eight equalisers of eight lanes in lockstep: a vector holds the same section of each.</summary>
/// <remarks>The same steps in the same order as <see cref="BandChain"/>, so that a lane sounds the same alone and in company.</remarks>
public sealed class LockstepBands
{
    private const int RestEvery = 512;
    private const float Dead = 1e-18f;

    private readonly Section[] _sections;
    private int _sinceRest;

    /// <param name="lanes">Eight; each with at most <see cref="BandChain.Width"/> sections, none for a lane that goes through as it is.</param>
    public LockstepBands(IReadOnlyList<IReadOnlyList<StateVariable>> lanes)
    {
        if (lanes.Count != EightLanes.Width || lanes.Any(l => l.Count > BandChain.Width))
            throw new ArgumentException("Eight lanes of up to eight sections run in lockstep.", nameof(lanes));
        // Two are worked through at once.
        var most = (lanes.Max(l => l.Count) + 1) / 2 * 2;
        _sections = [.. Enumerable.Range(0, most).Select(i => new Section([.. lanes.Select(l => i < l.Count ? l[i] : StateVariable.Unity)]))];
    }

    public void Process(EightLanes lanes, int frames)
    {
        for (var start = 0; start < frames;)
        {
            var stretch = Math.Min(RestEvery - _sinceRest, frames - start);
            for (var i = 0; i < _sections.Length; i += 2)
                Run(_sections[i], _sections[i + 1], ref Unsafe.Add(ref lanes.First, EightLanes.Width * start), stretch);
            start += stretch;
            _sinceRest = (_sinceRest + stretch) % RestEvery;
            if (_sinceRest == 0)
                foreach (var section in _sections)
                    section.Rest();
        }
    }

    /// <summary>Two sections in a row: one is at work while the other waits.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static void Run(Section one, Section two, ref float lanes, int frames)
    {
        var (first1, second1, first2, second2) = (one.First, one.Second, two.First, two.Second);
        var (b1, c1, e1) = (one.B, one.C, one.E);
        var (b2, c2, e2) = (two.B, two.C, two.E);
        var (p0, p1, p2) = (one.D0, one.D1, one.D2);
        var (q0, q1, q2) = (two.D0, two.D1, two.D2);
        for (var t = 0; t < frames; t++)
        {
            ref var at = ref Unsafe.Add(ref lanes, EightLanes.Width * t);
            var x = Vector256.LoadUnsafe(ref at);
            var w = x - second1;
            var between = Vector256.FusedMultiplyAdd(p0, x, Vector256.FusedMultiplyAdd(p1, first1, p2 * second1));
            second1 = Vector256.FusedMultiplyAdd(c1, w, Vector256.FusedMultiplyAdd(b1, first1, second1));
            first1 = Vector256.FusedMultiplyAdd(b1, w, Vector256.FusedMultiplyAdd(e1, first1, first1));
            var v = between - second2;
            Vector256.FusedMultiplyAdd(q0, between, Vector256.FusedMultiplyAdd(q1, first2, q2 * second2)).StoreUnsafe(ref at);
            second2 = Vector256.FusedMultiplyAdd(c2, v, Vector256.FusedMultiplyAdd(b2, first2, second2));
            first2 = Vector256.FusedMultiplyAdd(b2, v, Vector256.FusedMultiplyAdd(e2, first2, first2));
        }

        (one.First, one.Second, two.First, two.Second) = (first1, second1, first2, second2);
    }

    /// <summary>One section of each lane.</summary>
    private sealed class Section(StateVariable[] lanes)
    {
        public Vector256<float> First, Second;
        public readonly Vector256<float> D0 = Row(lanes, s => s.D0), D1 = Row(lanes, s => s.D1), D2 = Row(lanes, s => s.D2);
        public readonly Vector256<float> E = Row(lanes, s => s.E), B = Row(lanes, s => s.B), C = Row(lanes, s => s.C);

        public void Rest()
        {
            var dead = Vector256.Create(Dead);
            First = Vector256.ConditionalSelect(Vector256.LessThan(Vector256.Abs(First), dead), default, First);
            Second = Vector256.ConditionalSelect(Vector256.LessThan(Vector256.Abs(Second), dead), default, Second);
        }

        private static Vector256<float> Row(StateVariable[] lanes, Func<StateVariable, float> of) => Vector256.Create([.. lanes.Select(of)]);
    }
}
