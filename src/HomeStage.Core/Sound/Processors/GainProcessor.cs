using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A gain stage.</summary>
public sealed class GainProcessor(Map<double> settings) : IProcessor
{
    private readonly float _gain =
        (float)new Decibels(ProcessorCatalogue.Find(ProcessorCatalogue.Gain)!.Value(settings, "gain-db")).Linear;

    public void Process(SignalBlock signal, SignalBlock? key, int frames) => signal.Scale(_gain, frames);

    public void Reset()
    {
        // Nothing is remembered from one frame to the next.
    }
}
