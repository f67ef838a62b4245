using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A clipper: nothing over its ceiling, at four times the rate; the way back to the rate may ring a little over it.</summary>
public sealed class ClipperProcessor : IProcessor
{
    private readonly Oversampler[] _lanes;
    private readonly float _input;
    private readonly Func<float, float> _bend;

    /// <param name="lanes">1 or 2.</param>
    public ClipperProcessor(Map<double> settings, int lanes)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Clipper)!;
        var ceiling = (float)new Decibels(kind.Value(settings, "ceiling-db")).Linear;
        _input = (float)new Decibels(kind.Value(settings, "input-db")).Linear;
        _bend = x => Math.Clamp(x, -ceiling, ceiling);
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new Oversampler())];
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < _lanes.Length; lane++)
            foreach (ref var sample in signal.Lane(lane, frames))
                sample = _lanes[lane].Next(_input * sample, _bend);
    }

    public void Reset()
    {
        foreach (var lane in _lanes)
            lane.Reset();
    }
}
