using System.Numerics.Tensors;

namespace HomeStage.Core.Sound.Meters;

/// <summary>What runs along on every channel: peak, mean power and how alike the sides are.</summary>
public sealed class ChannelMeter
{
    private float _peak;
    private double _left;
    private double _right;
    private double _cross;
    private long _frames;

    /// <param name="right">As long as <paramref name="left"/>; the same for a mono channel.</param>
    public void Add(ReadOnlySpan<float> left, ReadOnlySpan<float> right)
    {
        _peak = Math.Max(_peak, Math.Max(Math.Abs(TensorPrimitives.MaxMagnitude(left)), Math.Abs(TensorPrimitives.MaxMagnitude(right))));
        _left += TensorPrimitives.SumOfSquares(left);
        _right += TensorPrimitives.SumOfSquares(right);
        _cross += TensorPrimitives.Dot(left, right);
        _frames += left.Length;
    }

    /// <returns>What it has read; null while everything was silent.</returns>
    public ChannelReading? Read()
    {
        if (_peak == 0)
            return null;
        var rms = 10 * Math.Log10((_left + _right) / 2 / _frames);
        var peak = 20 * Math.Log10(_peak);
        return new(peak, rms, peak - rms, _left > 0 && _right > 0 ? _cross / Math.Sqrt(_left * _right) : 0);
    }
}

/// <summary>What a channel's meter reads.</summary>
/// <param name="PeakDbfs">Largest sample of either side.</param>
/// <param name="RmsDbfs">Root of the mean square of both sides; a full-scale sine on both has −3.01.</param>
/// <param name="CrestDb">How far the peak lies over the RMS.</param>
/// <param name="Correlation">In [−1, 1]: 1 for the same on both sides, 0 for nothing in common.</param>
public sealed record ChannelReading(double PeakDbfs, double RmsDbfs, double CrestDb, double Correlation);
