using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>The cuts between which a detector hears its key.</summary>
internal sealed class KeyFilter
{
    private readonly BandChain? _left;
    private readonly BandChain? _right;

    /// <param name="key">Null, or without cuts, lets everything through.</param>
    public KeyFilter(KeyInput? key, int sampleRateHz)
    {
        var cuts = new List<StateVariable>();
        if (key?.LowCutHz is { } low)
            cuts.Add(StateVariable.Of(FilterDesign.LowCut(low, sampleRateHz)));
        if (key?.HighCutHz is { } high)
            cuts.Add(StateVariable.Of(FilterDesign.HighCut(high, sampleRateHz)));
        if (cuts.Count > 0)
            (_left, _right) = (new(cuts), new(cuts));
    }

    /// <summary>Whether there is a cut at all.</summary>
    public bool Cuts => _left is not null;

    /// <param name="key">Two lanes, changed in place.</param>
    public void Process(SignalBlock key, int frames) => Process(key.Lane(0, frames), key.Lane(1, frames));

    /// <param name="left">Changed in place.</param>
    /// <param name="right">As long as <paramref name="left"/>; changed in place.</param>
    public void Process(Span<float> left, Span<float> right)
    {
        if (_left is not null)
            BandChain.Process(_left, left, _right!, right);
    }

    public void Reset()
    {
        _left?.Reset();
        _right?.Reset();
    }
}
