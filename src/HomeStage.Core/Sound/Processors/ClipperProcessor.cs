using System.Numerics.Tensors;
using System.Runtime.Intrinsics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A clipper: nothing over its ceiling, at twice or four times the rate; the way back to the rate may ring a little
/// over it.</summary>
public sealed class ClipperProcessor : IProcessor
{
    private readonly Oversampler[] _lanes;
    private readonly float _input;
    private readonly float _ceiling;
    private readonly Oversampler.Bend _bend;

    /// <param name="lanes">1 or 2.</param>
    public ClipperProcessor(Map<double> settings, int lanes)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Clipper)!;
        _ceiling = (float)new Decibels(kind.Value(settings, "ceiling-db")).Linear;
        _input = (float)new Decibels(kind.Value(settings, "input-db")).Linear;
        _bend = BendAll;
        var times = kind.Value(settings, "oversampling") >= 0.5 ? 4 : 2;
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new Oversampler(times))];
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < _lanes.Length; lane++)
        {
            var samples = signal.Lane(lane, frames);
            TensorPrimitives.Multiply(samples, _input, samples);
            _lanes[lane].Process(samples, _bend);
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
                Vector256.Min(Vector256.Max(Vector256.Create(phase, i), low), high).CopyTo(phase, i);
    }
}
