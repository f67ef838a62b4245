using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>y = (1 − d)·x + d·y before, eight frames at once.</summary>
internal readonly struct OnePole
{
    private const float Dead = 1e-15f;

    private readonly Vector256<float> _share;
    private readonly Vector256<float> _once;
    private readonly Vector256<float> _twice;
    private readonly Vector256<float> _fourTimes;
    private readonly Vector256<float> _before;

    /// <param name="held">d, in [0, 1).</param>
    public OnePole(double held)
    {
        float Power(int n) => (float)Math.Pow(held, n);
        // Nothing comes to a frame from before the eight but by the last value.
        Vector256<float> From(int frame) => Vector256.Create([.. Enumerable.Range(0, Vector256<float>.Count).Select(i => i < frame ? 0 : Power(frame))]);
        (_share, _once, _twice, _fourTimes) = (Vector256.Create((float)(1 - held)), From(1), From(2), From(4));
        _before = Vector256.Create([.. Enumerable.Range(1, Vector256<float>.Count).Select(Power)]);
    }

    /// <summary>Eight frames, by doubling the reach of each frame three times.</summary>
    /// <param name="last">The value before the first of them, in every place.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public Vector256<float> Next(Vector256<float> frames, Vector256<float> last)
    {
        var x = _share * frames;
        x = Vector256.FusedMultiplyAdd(_once, Vector256.Shuffle(x, Vector256.Create(0, 0, 1, 2, 3, 4, 5, 6)), x);
        x = Vector256.FusedMultiplyAdd(_twice, Vector256.Shuffle(x, Vector256.Create(0, 0, 0, 1, 2, 3, 4, 5)), x);
        x = Vector256.FusedMultiplyAdd(_fourTimes, Vector256.Shuffle(x, Vector256.Create(0, 0, 0, 0, 0, 1, 2, 3)), x);
        return Vector256.FusedMultiplyAdd(_before, last, x);
    }

    /// <returns>The last of eight frames, in every place.</returns>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<float> Last(Vector256<float> frames) => Vector256.Shuffle(frames, Vector256.Create(7));

    /// <summary>What is too small to be heard is nothing: such numbers slow the machine down.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<float> Settled(Vector256<float> frames) =>
        Vector256.ConditionalSelect(Vector256.LessThan(Vector256.Abs(frames), Vector256.Create(Dead)), default, frames);
}
