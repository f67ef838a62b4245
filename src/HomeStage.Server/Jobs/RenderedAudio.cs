using HomeStage.Core.Sound;

namespace HomeStage.Server.Jobs;

/// <summary>A finished render, with its outline for drawing.</summary>
public sealed record RenderedAudio(RenderedSound Sound, IReadOnlyList<float> Outline)
{
    public const int OutlinePoints = 600;

    public static RenderedAudio Of(RenderedSound sound) => new(sound, OutlineOf(sound));

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

    private static float Min(ReadOnlySpan<float> lane) => System.Numerics.Tensors.TensorPrimitives.Min(lane);

    private static float Max(ReadOnlySpan<float> lane) => System.Numerics.Tensors.TensorPrimitives.Max(lane);

    private static float Rounded(float value) => MathF.Round(value, 3);
}
