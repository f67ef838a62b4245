using System.Numerics.Tensors;

namespace HomeStage.Core.Sound.Meters;

/// <summary>The largest sample so far, on any lane.</summary>
public sealed class PeakMeter
{
    private float _peak;

    /// <summary>dBFS; null while everything was silent.</summary>
    public double? PeakDbfs => _peak > 0 ? 20 * Math.Log10(_peak) : null;

    public void Add(SignalBlock block, int frames)
    {
        for (var lane = 0; lane < block.Lanes; lane++)
            _peak = Math.Max(_peak, Math.Abs(TensorPrimitives.MaxMagnitude<float>(block.Lane(lane, frames))));
    }
}
