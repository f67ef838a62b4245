using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A chorus: each lane with a copy whose delay sways by a sine, a quarter wave apart between the sides.</summary>
/// <remarks>The delay sways between 5 ms and 5 ms plus the depth.</remarks>
public sealed class ChorusProcessor : IProcessor
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Chorus)!;

    private const double LeastMs = 5;

    private readonly CubicLine[] _voices;
    private float _wet;
    private readonly double _turnsPerFrame;
    private readonly double _leastFrames;
    private double _depthFrames;
    private readonly int _sampleRateHz;
    private long _frame;

    /// <param name="lanes">1 or 2.</param>
    public ChorusProcessor(Map<double> settings, int lanes, int sampleRateHz)
    {
        _turnsPerFrame = Kind.Value(settings, "rate-hz") / sampleRateHz;
        _leastFrames = LeastMs * sampleRateHz / 1000;
        _sampleRateHz = sampleRateHz;
        Retune(settings);
        _voices = [.. Enumerable.Range(0, lanes).Select(_ => new CubicLine((int)(_leastFrames + Kind.Find("depth-ms")!.Max * sampleRateHz / 1000) + 4))];
    }

    /// <summary>The rate of the sway stays.</summary>
    public void Retune(Map<double> settings)
    {
        _wet = (float)(Kind.Value(settings, "mix-percent") / 100);
        _depthFrames = Kind.Value(settings, "depth-ms") * _sampleRateHz / 1000;
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < signal.Lanes; lane++)
        {
            var samples = signal.Lane(lane, frames);
            for (var i = 0; i < frames; i++)
            {
                var sway = (1 + Sine.OfTurns((_frame + i) * _turnsPerFrame + lane / 4.0)) / 2;
                _voices[lane].Put(samples[i]);
                samples[i] += _wet * (_voices[lane].At(_leastFrames + _depthFrames * sway) - samples[i]);
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
