namespace HomeStage.Core.Sound.Kernels;

/// <summary>The discrete Fourier transform of a fixed power-of-two length.</summary>
/// <remarks>J. Cooley and J. Tukey, "An Algorithm for the Machine Calculation of Complex Fourier Series", Math. Comp. 19, 1965:
/// radix 2, in place, by decimation in time.</remarks>
public sealed class Transform
{
    private readonly int[] _turned;
    private readonly double[] _cos;
    private readonly double[] _sin;

    /// <param name="length">A power of two, at least 2.</param>
    public Transform(int length)
    {
        if (length < 2 || !System.Numerics.BitOperations.IsPow2(length))
            throw new ArgumentOutOfRangeException(nameof(length), length, "Must be a power of two.");
        var bits = System.Numerics.BitOperations.Log2((uint)length);
        _turned = new int[length];
        for (var i = 1; i < length; i++)
            _turned[i] = (_turned[i >> 1] >> 1) | ((i & 1) << (bits - 1));
        _cos = [.. Enumerable.Range(0, length / 2).Select(i => Math.Cos(2 * Math.PI * i / length))];
        _sin = [.. Enumerable.Range(0, length / 2).Select(i => -Math.Sin(2 * Math.PI * i / length))];
    }

    public int Length => _turned.Length;

    /// <summary>Changes both parts in place.</summary>
    /// <param name="re">As long as the transform.</param>
    /// <param name="im">As long as the transform.</param>
    public void Run(Span<double> re, Span<double> im)
    {
        for (var i = 0; i < Length; i++)
            if (_turned[i] > i)
                (re[i], re[_turned[i]], im[i], im[_turned[i]]) = (re[_turned[i]], re[i], im[_turned[i]], im[i]);
        for (var half = 1; half < Length; half *= 2)
            for (var start = 0; start < Length; start += 2 * half)
                Butterflies(re.Slice(start, 2 * half), im.Slice(start, 2 * half), half, Length / (2 * half));
    }

    private void Butterflies(Span<double> re, Span<double> im, int half, int stride)
    {
        for (var i = 0; i < half; i++)
        {
            var (c, s) = (_cos[i * stride], _sin[i * stride]);
            var (x, y) = (re[i + half] * c - im[i + half] * s, re[i + half] * s + im[i + half] * c);
            (re[i + half], im[i + half]) = (re[i] - x, im[i] - y);
            re[i] += x;
            im[i] += y;
        }
    }
}
