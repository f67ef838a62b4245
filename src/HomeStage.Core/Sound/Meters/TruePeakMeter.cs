using System.Numerics.Tensors;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Meters;

/// <summary>The largest value that the sound takes at and between its samples, on any lane.</summary>
/// <remarks>ITU-R BS.1770-5, Annex 2: four times as many samples, then the largest magnitude; with the interpolating filter of
/// <see cref="PeaksBetween"/> in place of the annex's table.</remarks>
public sealed class TruePeakMeter
{
    private const int Stretch = 1024;
    private readonly PeaksBetween[] _lanes;
    private readonly float[] _peaks = new float[Stretch];
    private float _peak;

    /// <param name="lanes">1 or 2.</param>
    public TruePeakMeter(int lanes) => _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new PeaksBetween())];

    /// <summary>dBTP; null while everything was silent. The last 12 samples are not in it before the end.</summary>
    public double? TruePeakDbtp => _peak > 0 ? 20 * Math.Log10(_peak) : null;

    public void Add(SignalBlock block, int frames)
    {
        for (var lane = 0; lane < _lanes.Length; lane++)
            for (var start = 0; start < frames; start += Stretch)
                Add(_lanes[lane], block.Lane(lane, frames).Slice(start, Math.Min(Stretch, frames - start)));
    }

    /// <summary>Lets the last samples through: the sound is over and silence follows.</summary>
    public void End()
    {
        foreach (var lane in _lanes)
            Add(lane, new float[2 * PeaksBetween.LatencyFrames]);
    }

    private void Add(PeaksBetween lane, ReadOnlySpan<float> samples)
    {
        var peaks = _peaks.AsSpan(0, samples.Length);
        lane.Process(samples, peaks);
        _peak = Math.Max(_peak, TensorPrimitives.Max<float>(peaks));
    }
}
