using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>The cuts between which a detector hears its key.</summary>
internal sealed class KeyFilter
{
    private readonly FilterCascade[] _lanes;

    /// <param name="key">Null, or without cuts, lets everything through.</param>
    public KeyFilter(KeyInput? key, int sampleRateHz)
    {
        var cuts = new List<Biquad>();
        if (key?.LowCutHz is { } low)
            cuts.Add(FilterDesign.LowCut(low, sampleRateHz));
        if (key?.HighCutHz is { } high)
            cuts.Add(FilterDesign.HighCut(high, sampleRateHz));
        _lanes = cuts.Count == 0 ? [] : [new(cuts), new(cuts)];
    }

    /// <param name="key">Two lanes, changed in place.</param>
    public void Process(SignalBlock key, int frames)
    {
        for (var lane = 0; lane < _lanes.Length; lane++)
            _lanes[lane].Process(key.Lane(lane, frames));
    }

    public void Reset()
    {
        foreach (var lane in _lanes)
            lane.Reset();
    }
}
