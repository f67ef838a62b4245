using System.Numerics.Tensors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>The last stage of one output of a stand-in: nothing leaves over full scale, however many notes sound at once.</summary>
/// <remarks>The gain that a frame needs is there at once and is let go within a few milliseconds; both sides go alike. Below full scale it does
/// nothing, so that what leaves by several outputs sounds as it does by one.</remarks>
internal sealed class OutputStage(int sampleRateHz)
{
    private const double ReleaseSeconds = 0.004;

    private readonly double _release = Math.Exp(-1 / (ReleaseSeconds * sampleRateHz));
    private double _gain = 1;

    public void Process(SignalBlock block, int frames)
    {
        if (_gain >= 1 && !IsOver(block, frames))
            return;
        for (var i = 0; i < frames; i++)
        {
            var peak = 0f;
            for (var lane = 0; lane < block.Lanes; lane++)
                peak = Math.Max(peak, Math.Abs(block.Lane(lane, frames)[i]));
            _gain = 1 - _release * (1 - _gain);
            // So close to one that nobody hears the rest of the way.
            if (_gain > 1 - 1e-7)
                _gain = 1;
            if (peak * _gain > 1)
                _gain = 1 / peak;
            for (var lane = 0; lane < block.Lanes; lane++)
                block.Lane(lane, frames)[i] *= (float)_gain;
        }
    }

    private static bool IsOver(SignalBlock block, int frames)
    {
        for (var lane = 0; lane < block.Lanes; lane++)
            if (Math.Abs(TensorPrimitives.MaxMagnitude<float>(block.Lane(lane, frames))) > 1)
                return true;
        return false;
    }
}
