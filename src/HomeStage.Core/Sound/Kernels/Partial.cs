using System.Runtime.Intrinsics;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>A sine that holds or dies: a vector that is turned and shortened, eight frames at a step.</summary>
public struct Partial
{
    // What lies 120 dB down is over.
    private const float Inaudible = 1e-6f;

    private readonly float _cos;
    private readonly float _sin;
    private Vector256<float> _x;
    private Vector256<float> _y;

    /// <param name="turnsAFrame">Frequency over sample rate, in (0, ½).</param>
    /// <param name="amplitude">At the first frame.</param>
    /// <param name="keep">What each frame keeps of it, in (0, 1].</param>
    /// <param name="turns">Where in the wave it begins.</param>
    public Partial(double turnsAFrame, double amplitude, double keep = 1, double turns = 0)
    {
        var (x, y) = (new float[8], new float[8]);
        for (var i = 0; i < 8; i++)
        {
            var (sin, cos) = Math.SinCos(2 * Math.PI * (turns + i * turnsAFrame));
            var level = amplitude * Math.Pow(keep, i);
            (x[i], y[i]) = ((float)(level * cos), (float)(level * sin));
        }

        (_x, _y) = (Vector256.Create(x), Vector256.Create(y));
        var (s, c) = Math.SinCos(2 * Math.PI * 8 * turnsAFrame);
        var eight = Math.Pow(keep, 8);
        (_cos, _sin) = ((float)(eight * c), (float)(eight * s));
    }

    public readonly bool IsOver => Math.Abs(_x[0]) + Math.Abs(_y[0]) < Inaudible;

    /// <summary>Adds its next frames.</summary>
    /// <param name="sum">A multiple of eight frames.</param>
    public void AddTo(Span<float> sum)
    {
        var (x, y, cos, sin) = (_x, _y, Vector256.Create(_cos), Vector256.Create(_sin));
        for (var i = 0; i + 8 <= sum.Length; i += 8)
        {
            (Vector256.Create<float>(sum.Slice(i, 8)) + y).CopyTo(sum[i..]);
            var turned = Vector256.FusedMultiplyAdd(x, cos, -(y * sin));
            y = Vector256.FusedMultiplyAdd(x, sin, y * cos);
            x = turned;
        }

        (_x, _y) = (x, y);
    }
}
