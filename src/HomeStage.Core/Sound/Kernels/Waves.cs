using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>Sines, eight at a time.</summary>
public static class Waves
{
    private static readonly Vector256<float> Steps = Vector256.Create(0f, 1, 2, 3, 4, 5, 6, 7);

    /// <summary>sin(2π·turns), within 2e−6 of it.</summary>
    /// <param name="turns">Whole waves; the error grows with their size, so they should lie near 0.</param>
    /// <remarks>Folded into a quarter wave, then the Taylor polynomial of degree 9, which errs there by (π/2)¹¹/11! ≈ 4e−6 at
    /// the very end and far less before.</remarks>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<float> Sine(Vector256<float> turns)
    {
        var x = turns - Vector256.Round(turns);
        // Beyond a quarter wave the sine comes back the way it went.
        var half = Vector256.CopySign(Vector256.Create(0.5f), x);
        x = Vector256.ConditionalSelect(Vector256.GreaterThan(Vector256.Abs(x), Vector256.Create(0.25f)), half - x, x);
        var a = x * Vector256.Create(6.2831853f);
        var s = a * a;
        var sum = Vector256.FusedMultiplyAdd(s, Vector256.Create(1 / 362880f), Vector256.Create(-1 / 5040f));
        sum = Vector256.FusedMultiplyAdd(s, sum, Vector256.Create(1 / 120f));
        sum = Vector256.FusedMultiplyAdd(s, sum, Vector256.Create(-1 / 6f));
        sum = Vector256.FusedMultiplyAdd(s, sum, Vector256<float>.One);
        return a * sum;
    }

    /// <summary>The turns of eight frames in a row.</summary>
    /// <param name="first">Turns of the first; only what is left after whole ones counts.</param>
    /// <param name="step">Turns a frame.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<float> Turns(double first, double step) =>
        Vector256.FusedMultiplyAdd(Steps, Vector256.Create((float)step), Vector256.Create((float)(first - Math.Floor(first))));
}
