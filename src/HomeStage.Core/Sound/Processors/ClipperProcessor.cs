using System.Numerics.Tensors;
using System.Runtime.Intrinsics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A clipper: no sample leaves over its ceiling.</summary>
/// <remarks>It cuts at twice or four times the rate, so that little folds back into the band; what rings over the ceiling on the way back to the
/// rate is cut once more there. Between the samples the sound may still swing over it: for that there is the limiter.</remarks>
public sealed class ClipperProcessor : IProcessor
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Clipper)!;

    private readonly Oversampler[] _lanes;
    private float _input;
    private float _ceiling;
    private readonly Oversampler.Bend _bend;

    /// <param name="lanes">1 or 2.</param>
    public ClipperProcessor(Map<double> settings, int lanes)
    {
        Retune(settings);
        _bend = BendAll;
        var times = Kind.Value(settings, "oversampling") >= 0.5 ? 4 : 2;
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new Oversampler(times))];
    }

    public void Retune(Map<double> settings)
    {
        _ceiling = (float)new Decibels(Kind.Value(settings, "ceiling-db")).Linear;
        _input = (float)new Decibels(Kind.Value(settings, "input-db")).Linear;
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < _lanes.Length; lane++)
        {
            var samples = signal.Lane(lane, frames);
            TensorPrimitives.Multiply(samples, _input, samples);
            _lanes[lane].Process(samples, _bend);
            TensorPrimitives.Min(samples, _ceiling, samples);
            TensorPrimitives.Max(samples, -_ceiling, samples);
        }
    }

    public void Reset()
    {
        foreach (var lane in _lanes)
            lane.Reset();
    }

    private void BendAll(float[][] phases, int frames)
    {
        var (low, high) = (Vector256.Create(-_ceiling), Vector256.Create(_ceiling));
        foreach (var phase in phases)
            for (var i = 0; i < frames; i += 8)
                Vector256.MinNative(Vector256.MaxNative(Vector256.Create(phase, i), low), high).CopyTo(phase, i);
    }
}
