using System.Numerics.Tensors;

namespace HomeStage.Core.Sound.Signals;

/// <summary>A short stretch of one signal: one lane (mono) or two (left, right), owned by the stage that writes it.</summary>
public sealed class SignalBlock
{
    private readonly float[][] _lanes;

    /// <param name="lanes">1 or 2.</param>
    /// <param name="capacity">Most frames that it holds.</param>
    public SignalBlock(int lanes, int capacity)
    {
        if (lanes is not (1 or 2))
            throw new ArgumentOutOfRangeException(nameof(lanes), lanes, "A signal has one lane or two.");
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new float[capacity])];
    }

    public int Lanes => _lanes.Length;

    /// <param name="index">In [0, Lanes).</param>
    public Span<float> Lane(int index, int frames) => _lanes[index].AsSpan(0, frames);

    /// <param name="start">First frame, at least 0.</param>
    public Span<float> Lane(int index, int start, int frames) => _lanes[index].AsSpan(start, frames);

    /// <returns>The lane itself, as long as the block holds frames.</returns>
    internal float[] Whole(int index) => _lanes[index];

    public void Clear(int frames)
    {
        foreach (var lane in _lanes)
            lane.AsSpan(0, frames).Clear();
    }

    public void Scale(float gain, int frames)
    {
        for (var lane = 0; lane < Lanes; lane++)
            TensorPrimitives.Multiply(Lane(lane, frames), gain, Lane(lane, frames));
    }
}
