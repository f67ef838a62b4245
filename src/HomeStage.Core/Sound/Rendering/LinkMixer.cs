using System.Numerics.Tensors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>Adds one link's signal into the stage that it feeds: padded, turned by its level, fitted to the lanes.</summary>
/// <remarks>Mono into stereo by the pan gains, stereo into mono as (L + R) / 2, like into like as it is.</remarks>
/// <param name="moving">The level where it moves; null for the constant <paramref name="gain"/>.</param>
/// <param name="movingSpread">The pan gains where the pan moves; null for the constant <paramref name="spread"/>.</param>
internal sealed class LinkMixer(
    SignalBlock from, float gain, PanGains spread, int paddingFrames, MovingGain? moving = null, (MovingGain Left, MovingGain Right)? movingSpread = null)
{
    private readonly HeldBack[] _padding = HeldBack.Lanes(from.Lanes, paddingFrames);
    private readonly float[] _turned = new float[Pace.BlockFrames];
    private readonly float[] _levels = new float[moving is null ? 0 : Pace.BlockFrames];
    private readonly float[] _sides = new float[movingSpread is null ? 0 : Pace.BlockFrames];

    /// <param name="sum">Already holds what was mixed before.</param>
    /// <param name="start">Where in the source the frames lie.</param>
    /// <param name="frame">Frame of the first of them, counted from the start of the render.</param>
    /// <param name="frames">At most <see cref="Pace.BlockFrames"/>.</param>
    public void AddTo(SignalBlock sum, int start, long frame, int frames)
    {
        moving?.Fill(frame, _levels.AsSpan(0, frames));
        if (from.Lanes == 1 && sum.Lanes == 2)
        {
            var source = Source(0, start, frames);
            AddSpread(source, movingSpread?.Left, (float)spread.Left, sum.Lane(0, frames), frame);
            AddSpread(source, movingSpread?.Right, (float)spread.Right, sum.Lane(1, frames), frame);
            return;
        }

        var share = from.Lanes > sum.Lanes ? 0.5f : 1;
        for (var lane = 0; lane < from.Lanes; lane++)
        {
            var target = sum.Lane(Math.Min(lane, sum.Lanes - 1), frames);
            TensorPrimitives.MultiplyAdd(Source(lane, start, frames), share, target, target);
        }
    }

    /// <summary>One lane of the source, padded and turned by the level.</summary>
    private ReadOnlySpan<float> Source(int lane, int start, int frames)
    {
        ReadOnlySpan<float> source = from.Lane(lane, start, frames);
        if (_padding.Length > 0)
            source = _padding[lane].Take(source);
        if (moving is null && gain == 1)
            return source;
        var turned = _turned.AsSpan(0, frames);
        if (moving is null)
            TensorPrimitives.Multiply(source, gain, turned);
        else
            TensorPrimitives.Multiply(source, _levels.AsSpan(0, frames), turned);
        return turned;
    }

    private void AddSpread(ReadOnlySpan<float> source, MovingGain? movingSide, float side, Span<float> target, long frame)
    {
        if (movingSide is null)
        {
            TensorPrimitives.MultiplyAdd(source, side, target, target);
            return;
        }

        var sides = _sides.AsSpan(0, source.Length);
        movingSide.Fill(frame, sides);
        TensorPrimitives.MultiplyAdd(source, sides, target, target);
    }
}
