using System.Collections.Concurrent;
using HomeStage.Core.Sound.Kernels;

namespace HomeStage.Core.Outside;

/// <summary>How two sounds agree for each shift of one against the other.</summary>
/// <remarks>By the correlation theorem of the discrete Fourier transform (a standard result).</remarks>
public static class CrossCorrelation
{
    private static readonly ConcurrentDictionary<int, Transform> Transforms = new();

    /// <returns>Σ a[n]·b[n + shift] for each shift from <paramref name="least"/> to <paramref name="most"/>; outside of both there is silence.</returns>
    public static double[] Of(ReadOnlySpan<float> a, ReadOnlySpan<float> b, int least, int most)
    {
        // Long enough that what comes round from the other end falls outside of the shifts that are asked for.
        var length = (int)System.Numerics.BitOperations.RoundUpToPowerOf2((uint)Math.Max(2, Math.Max(Math.Max(a.Length, b.Length), Math.Max(b.Length - least, a.Length + most))));
        var transform = Transforms.GetOrAdd(length, l => new(l));
        var (re, im) = (new double[length], new double[length]);
        for (var n = 0; n < a.Length; n++)
            re[n] = a[n];
        for (var n = 0; n < b.Length; n++)
            im[n] = b[n];
        transform.Run(re, im);
        Multiply(re, im);
        transform.Run(re, im);
        var sums = new double[most - least + 1];
        for (var shift = least; shift <= most; shift++)
            sums[shift - least] = shift > -a.Length && shift < b.Length ? re[(shift + length) % length] / length : 0;
        return sums;
    }

    /// <summary>Both spectra lie in one, since both sounds are real: taken apart, one turned and multiplied. Turned once more, so that the way back is the way there.</summary>
    private static void Multiply(double[] re, double[] im)
    {
        var length = re.Length;
        var (outRe, outIm) = (new double[length], new double[length]);
        for (var k = 0; k < length; k++)
        {
            var m = (length - k) % length;
            var (aRe, aIm) = ((re[k] + re[m]) / 2, (im[k] - im[m]) / 2);
            var (bRe, bIm) = ((im[k] + im[m]) / 2, (re[m] - re[k]) / 2);
            // conj(A)·B, and its conjugate for the inverse.
            (outRe[k], outIm[k]) = (aRe * bRe + aIm * bIm, -(aRe * bIm - aIm * bRe));
        }

        outRe.CopyTo(re, 0);
        outIm.CopyTo(im, 0);
    }
}
