using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using System.Runtime.Intrinsics.X86;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>Eight lanes laid frame by frame, so that one vector holds the same frame of all of them.</summary>
/// <param name="capacity">Most frames.</param>
public sealed class EightLanes(int capacity)
{
    public const int Width = 8;

    private readonly float[] _frames = new float[Width * (capacity + Width)];

    /// <summary>The first lane's first sample; frame t of lane k stands at 8·t + k.</summary>
    public ref float First => ref MemoryMarshal.GetArrayDataReference(_frames);

    /// <param name="lanes">Eight, each with room for a multiple of eight frames; what lies beyond <paramref name="frames"/> is not used.</param>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public void Lay(float[][] lanes, int frames)
    {
        for (var t = 0; t < frames; t += Width)
        {
            var rows = Rows.Turned(Vector256.Create(lanes[0], t), Vector256.Create(lanes[1], t), Vector256.Create(lanes[2], t), Vector256.Create(lanes[3], t),
                Vector256.Create(lanes[4], t), Vector256.Create(lanes[5], t), Vector256.Create(lanes[6], t), Vector256.Create(lanes[7], t));
            rows.Store(ref First, Width * t, Width);
        }
    }

    /// <summary>Back into eight lanes.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public void Take(float[][] lanes, int frames)
    {
        for (var t = 0; t < frames; t += Width)
        {
            ref var from = ref Unsafe.Add(ref First, Width * t);
            var rows = Rows.Turned(Vector256.LoadUnsafe(ref from), Vector256.LoadUnsafe(ref from, 8), Vector256.LoadUnsafe(ref from, 16), Vector256.LoadUnsafe(ref from, 24),
                Vector256.LoadUnsafe(ref from, 32), Vector256.LoadUnsafe(ref from, 40), Vector256.LoadUnsafe(ref from, 48), Vector256.LoadUnsafe(ref from, 56));
            rows.Store(lanes, t);
        }
    }

    /// <summary>Eight vectors of eight.</summary>
    private readonly ref struct Rows(
        Vector256<float> a, Vector256<float> b, Vector256<float> c, Vector256<float> d, Vector256<float> e, Vector256<float> f, Vector256<float> g, Vector256<float> h)
    {
        private readonly Vector256<float> _a = a, _b = b, _c = c, _d = d, _e = e, _f = f, _g = g, _h = h;

        /// <summary>Rows made columns.</summary>
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public static Rows Turned(
            Vector256<float> a, Vector256<float> b, Vector256<float> c, Vector256<float> d, Vector256<float> e, Vector256<float> f, Vector256<float> g, Vector256<float> h)
        {
            if (!Avx.IsSupported)
                return Slowly(a, b, c, d, e, f, g, h);
            var (ab0, ab1, cd0, cd1) = (Avx.UnpackLow(a, b), Avx.UnpackHigh(a, b), Avx.UnpackLow(c, d), Avx.UnpackHigh(c, d));
            var (ef0, ef1, gh0, gh1) = (Avx.UnpackLow(e, f), Avx.UnpackHigh(e, f), Avx.UnpackLow(g, h), Avx.UnpackHigh(g, h));
            var (low0, low1) = (Avx.Shuffle(ab0, cd0, 0x44), Avx.Shuffle(ab0, cd0, 0xEE));
            var (low2, low3) = (Avx.Shuffle(ab1, cd1, 0x44), Avx.Shuffle(ab1, cd1, 0xEE));
            var (high0, high1) = (Avx.Shuffle(ef0, gh0, 0x44), Avx.Shuffle(ef0, gh0, 0xEE));
            var (high2, high3) = (Avx.Shuffle(ef1, gh1, 0x44), Avx.Shuffle(ef1, gh1, 0xEE));
            return new(
                Avx.Permute2x128(low0, high0, 0x20), Avx.Permute2x128(low1, high1, 0x20), Avx.Permute2x128(low2, high2, 0x20), Avx.Permute2x128(low3, high3, 0x20),
                Avx.Permute2x128(low0, high0, 0x31), Avx.Permute2x128(low1, high1, 0x31), Avx.Permute2x128(low2, high2, 0x31), Avx.Permute2x128(low3, high3, 0x31));
        }

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public void Store(ref float to, int at, int step)
        {
            ref var first = ref Unsafe.Add(ref to, at);
            _a.StoreUnsafe(ref first);
            _b.StoreUnsafe(ref first, (nuint)step);
            _c.StoreUnsafe(ref first, (nuint)(2 * step));
            _d.StoreUnsafe(ref first, (nuint)(3 * step));
            _e.StoreUnsafe(ref first, (nuint)(4 * step));
            _f.StoreUnsafe(ref first, (nuint)(5 * step));
            _g.StoreUnsafe(ref first, (nuint)(6 * step));
            _h.StoreUnsafe(ref first, (nuint)(7 * step));
        }

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public void Store(float[][] lanes, int at)
        {
            _a.CopyTo(lanes[0], at);
            _b.CopyTo(lanes[1], at);
            _c.CopyTo(lanes[2], at);
            _d.CopyTo(lanes[3], at);
            _e.CopyTo(lanes[4], at);
            _f.CopyTo(lanes[5], at);
            _g.CopyTo(lanes[6], at);
            _h.CopyTo(lanes[7], at);
        }

        private static Rows Slowly(
            Vector256<float> a, Vector256<float> b, Vector256<float> c, Vector256<float> d, Vector256<float> e, Vector256<float> f, Vector256<float> g, Vector256<float> h)
        {
            Vector256<float> Column(int i) => Vector256.Create(a[i], b[i], c[i], d[i], e[i], f[i], g[i], h[i]);
            return new(Column(0), Column(1), Column(2), Column(3), Column(4), Column(5), Column(6), Column(7));
        }
    }
}
