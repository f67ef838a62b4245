using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;

namespace HomeStage.Core.Strips;

/// <summary>The curve by which saturator and amplifier bend.</summary>
/// <remarks>x·(27 + x²) / (27 + 9·x²), ±1 from |x| = 3 on: the Padé approximant of tanh, which is smooth there and the same on
/// every machine.</remarks>
public static class SaturatorLaw
{
    /// <summary>Odd, with slope 1 at 0.</summary>
    /// <param name="x">1 is full scale.</param>
    /// <returns>In [−1, 1].</returns>
    public static float Curve(float x) => Curve(Vector256.Create(x)).ToScalar();

    /// <summary>Eight at once.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<float> Curve(Vector256<float> x)
    {
        var held = Vector256.MinNative(Vector256.MaxNative(x, Vector256.Create(-3f)), Vector256.Create(3f));
        var square = held * held;
        return held * (Vector256.Create(27f) + square) / Vector256.FusedMultiplyAdd(Vector256.Create(9f), square, Vector256.Create(27f));
    }
}
