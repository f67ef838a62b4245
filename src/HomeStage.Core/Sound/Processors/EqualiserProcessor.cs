using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>The equaliser: the sections of its law, each lane on its own.</summary>
public sealed class EqualiserProcessor : IProcessor
{
    private readonly FilterCascade[] _lanes;

    public EqualiserProcessor(Map<double> settings, int lanes, int sampleRateHz)
    {
        var sections = EqualiserLaw.Sections(settings, sampleRateHz);
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new FilterCascade(sections))];
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < _lanes.Length; lane++)
            _lanes[lane].Process(signal.Lane(lane, frames));
    }

    public void Reset()
    {
        foreach (var lane in _lanes)
            lane.Reset();
    }
}
