using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A gain stage.</summary>
public sealed class GainProcessor : IProcessor
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Gain)!;

    private float _gain;

    public GainProcessor(Map<double> settings) => Retune(settings);

    public void Retune(Map<double> settings) => _gain = (float)new Decibels(Kind.Value(settings, "gain-db")).Linear;

    public void Process(SignalBlock signal, SignalBlock? key, int frames) => signal.Scale(_gain, frames);

    public void Reset()
    {
        // Nothing is remembered from one frame to the next.
    }
}
