using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A chorus: each lane with a copy whose delay sways by a sine, a quarter wave apart between the sides.</summary>
public sealed class ChorusProcessor : IProcessor
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Chorus)!;

    private readonly CubicLine[] _voices;
    private float _wet;
    private readonly double _rateHz;
    private double _depthMs;
    private readonly int _sampleRateHz;
    private long _frame;

    /// <param name="lanes">1 or 2.</param>
    public ChorusProcessor(Map<double> settings, int lanes, int sampleRateHz)
    {
        _rateHz = Kind.Value(settings, "rate-hz");
        _sampleRateHz = sampleRateHz;
        Retune(settings);
        _voices = [.. Enumerable.Range(0, lanes).Select(_ => new CubicLine((int)ChorusLaw.DelayFrames(1, Kind.Find("depth-ms")!.Max, sampleRateHz) + 4))];
    }

    /// <summary>The rate of the sway stays.</summary>
    public void Retune(Map<double> settings)
    {
        _wet = (float)(Kind.Value(settings, "mix-percent") / 100);
        _depthMs = Kind.Value(settings, "depth-ms");
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < signal.Lanes; lane++)
        {
            var samples = signal.Lane(lane, frames);
            for (var i = 0; i < frames; i++)
            {
                var sway = Sine.OfTurns(ChorusLaw.Turns(_frame + i, lane, _rateHz, _sampleRateHz));
                _voices[lane].Put(samples[i]);
                samples[i] += _wet * (_voices[lane].At(ChorusLaw.DelayFrames(sway, _depthMs, _sampleRateHz)) - samples[i]);
            }
        }

        _frame += frames;
    }

    public void Reset()
    {
        _frame = 0;
        foreach (var voice in _voices)
            voice.Reset();
    }
}
