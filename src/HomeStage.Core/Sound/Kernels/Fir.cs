using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>Weighted sums of neighbouring samples, many frames at once.</summary>
public static class Fir
{
    /// <summary>Numbers that both buffers hold behind what is asked for.</summary>
    public const int Slack = 32;

    /// <summary>output[i] = Σ taps[k] · input[i + k], tap by tap in one order for every frame.</summary>
    /// <param name="input">At least frames + taps − 1 + <see cref="Slack"/> long.</param>
    /// <param name="output">At least frames + <see cref="Slack"/> long; what lies behind the frames is overwritten.</param>
    public static void Convolve(ReadOnlySpan<float> input, ReadOnlySpan<float> taps, Span<float> output, int frames)
    {
        if (input.Length < frames + taps.Length - 1 + Slack || output.Length < frames + Slack)
            throw new ArgumentException("The slack is missing.", nameof(output));
        ref var from = ref MemoryMarshal.GetReference(input);
        ref var to = ref MemoryMarshal.GetReference(output);
        for (nuint i = 0; i < (nuint)frames; i += 32)
        {
            Vector256<float> a = default, b = default, c = default, d = default;
            for (nuint k = 0; k < (nuint)taps.Length; k++)
            {
                var tap = Vector256.Create(taps[(int)k]);
                a = Vector256.FusedMultiplyAdd(tap, Vector256.LoadUnsafe(ref from, i + k), a);
                b = Vector256.FusedMultiplyAdd(tap, Vector256.LoadUnsafe(ref from, i + k + 8), b);
                c = Vector256.FusedMultiplyAdd(tap, Vector256.LoadUnsafe(ref from, i + k + 16), c);
                d = Vector256.FusedMultiplyAdd(tap, Vector256.LoadUnsafe(ref from, i + k + 24), d);
            }

            a.StoreUnsafe(ref to, i);
            b.StoreUnsafe(ref to, i + 8);
            c.StoreUnsafe(ref to, i + 16);
            d.StoreUnsafe(ref to, i + 24);
        }
    }
}
