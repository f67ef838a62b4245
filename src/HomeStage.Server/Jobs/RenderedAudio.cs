using System.Numerics.Tensors;
using HomeStage.Core.Sound;

namespace HomeStage.Server.Jobs;

/// <summary>A render as far as it is, with its outline for drawing once it is finished.</summary>
/// <param name="Frames">How many frames are final, from the start.</param>
/// <param name="Outline">Empty while the render goes on.</param>
public sealed record RenderedAudio(RenderedSound Sound, int Frames, IReadOnlyList<float> Outline) : ISized
{
    public const int OutlinePoints = 600;

    public long Bytes => 2L * sizeof(float) * Sound.Left.Length;

    public static RenderedAudio Of(RenderedSound sound) => new(sound, sound.Left.Length, OutlineOf(sound));

    /// <returns>Lowest and highest sample of each of 600 equal stretches, over both sides.</returns>
    private static float[] OutlineOf(RenderedSound sound)
    {
        var outline = new float[2 * OutlinePoints];
        for (var point = 0; point < OutlinePoints; point++)
        {
            var from = (int)((long)sound.Left.Length * point / OutlinePoints);
            var to = Math.Max(from + 1, (int)((long)sound.Left.Length * (point + 1) / OutlinePoints));
            if (to > sound.Left.Length)
                break;
            var left = sound.Left.AsSpan(from, to - from);
            var right = sound.Right.AsSpan(from, to - from);
            outline[2 * point] = Rounded(Math.Min(Min(left), Min(right)));
            outline[2 * point + 1] = Rounded(Math.Max(Max(left), Max(right)));
        }

        return outline;
    }

    private static float Min(ReadOnlySpan<float> lane) => TensorPrimitives.Min(lane);

    private static float Max(ReadOnlySpan<float> lane) => TensorPrimitives.Max(lane);

    private static float Rounded(float value) => MathF.Round(value, 3);
}
