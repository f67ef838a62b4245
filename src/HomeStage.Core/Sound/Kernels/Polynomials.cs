using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>Logarithm and power of two, eight numbers at a time, the same for a number wherever it stands.</summary>
public static class Polynomials
{
    /// <summary>dB of a doubled amplitude: 20·log10 2.</summary>
    public const float DbPerOctave = 6.020599913279624f;

    /// <summary>Numbers below this count as it: −200 dB.</summary>
    public const float Least = 1e-10f;

    /// <summary>log₂ x, within 3e−7 of the true value plus half a unit in the last place of the result.</summary>
    /// <param name="x">Finite; what lies below <see cref="Least"/> counts as it.</param>
    /// <remarks>x = m·2ᵉ with m about 1, then log₂ m = 2/ln 2 · (t + t³/3 + t⁵/5 + …), t = (m − 1)/(m + 1), |t| ≤ 0.172.</remarks>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<float> Log2(Vector256<float> x)
    {
        var bits = Vector256.MaxNative(x, Vector256.Create(Least)).AsInt32();
        // The exponent is counted from √½, so that m lies in [√½, √2).
        var exponent = (bits - Vector256.Create(0x3F3504F3)) >> 23;
        var m = (bits - (exponent << 23)).AsSingle();
        var one = Vector256<float>.One;
        var t = (m - one) / (m + one);
        var s = t * t;
        var sum = Vector256.FusedMultiplyAdd(s, Vector256.Create(0.3205989f), Vector256.Create(0.41219858f));
        sum = Vector256.FusedMultiplyAdd(s, sum, Vector256.Create(0.57707802f));
        sum = Vector256.FusedMultiplyAdd(s, sum, Vector256.Create(0.96179669f));
        sum = Vector256.FusedMultiplyAdd(s, sum, Vector256.Create(2.88539008f));
        return Vector256.FusedMultiplyAdd(t, sum, Vector256.ConvertToSingle(exponent));
    }

    /// <summary>2ˣ, within 2e−7 of it in proportion.</summary>
    /// <param name="x">Held to [−126, 126].</param>
    /// <remarks>x = n + f with |f| ≤ ½, then 1 + f·q(f), q of degree five through (2ᶠ − 1)/f at the six Chebyshev nodes:
    /// within 1e−8 before rounding.</remarks>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<float> Exp2(Vector256<float> x)
    {
        var held = Vector256.MinNative(Vector256.MaxNative(x, Vector256.Create(-126f)), Vector256.Create(126f));
        var whole = Vector256.Round(held);
        var f = held - whole;
        var sum = Vector256.FusedMultiplyAdd(f, Vector256.Create(0.000154531634f), Vector256.Create(0.00133908633f));
        sum = Vector256.FusedMultiplyAdd(f, sum, Vector256.Create(0.00961808302f));
        sum = Vector256.FusedMultiplyAdd(f, sum, Vector256.Create(0.0555035695f));
        sum = Vector256.FusedMultiplyAdd(f, sum, Vector256.Create(0.240226507f));
        sum = Vector256.FusedMultiplyAdd(f, sum, Vector256.Create(0.693147182f));
        sum = Vector256.FusedMultiplyAdd(f, sum, Vector256<float>.One);
        return (sum.AsInt32() + (Vector256.ConvertToInt32Native(whole) << 23)).AsSingle();
    }
}
