using System.Numerics.Tensors;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound;

/// <summary>Adds one link's signal into the stage that it feeds: padded, turned by its level, fitted to the lanes.</summary>
/// <remarks>Mono into stereo by the pan gains, stereo into mono as (L + R) / 2, like into like as it is.</remarks>
internal sealed class LinkMixer(SignalBlock from, float gain, PanGains spread, int paddingFrames)
{
    private readonly DelayLine[] _padding = [.. Enumerable.Range(0, from.Lanes).Select(_ => new DelayLine(paddingFrames))];
    private readonly float _left = gain * (float)spread.Left;
    private readonly float _right = gain * (float)spread.Right;

    /// <param name="sum">Already holds what was mixed before.</param>
    public void AddTo(SignalBlock sum, int frames)
    {
        if (from.Lanes == 1 && sum.Lanes == 1)
        {
            Add(0, sum, 0, gain, frames);
        }
        else if (from.Lanes == 1)
        {
            AddSpread(sum, frames);
        }
        else if (sum.Lanes == 1)
        {
            Add(0, sum, 0, gain / 2, frames);
            Add(1, sum, 0, gain / 2, frames);
        }
        else
        {
            Add(0, sum, 0, gain, frames);
            Add(1, sum, 1, gain, frames);
        }
    }

    private void Add(int fromLane, SignalBlock sum, int toLane, float by, int frames)
    {
        var source = from.Lane(fromLane, frames);
        var target = sum.Lane(toLane, frames);
        if (paddingFrames == 0)
            TensorPrimitives.MultiplyAdd(source, by, target, target);
        else
            for (var i = 0; i < frames; i++)
                target[i] += by * _padding[fromLane].Next(source[i]);
    }

    private void AddSpread(SignalBlock sum, int frames)
    {
        var source = from.Lane(0, frames);
        var left = sum.Lane(0, frames);
        var right = sum.Lane(1, frames);
        if (paddingFrames == 0)
        {
            TensorPrimitives.MultiplyAdd(source, _left, left, left);
            TensorPrimitives.MultiplyAdd(source, _right, right, right);
            return;
        }

        for (var i = 0; i < frames; i++)
        {
            var sample = _padding[0].Next(source[i]);
            left[i] += _left * sample;
            right[i] += _right * sample;
        }
    }
}
