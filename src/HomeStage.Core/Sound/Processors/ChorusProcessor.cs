using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A chorus: each lane with a copy whose delay sways by a sine, a quarter wave apart between the sides.</summary>
/// <remarks>The delay sways between 5 ms and 5 ms plus the depth.</remarks>
public sealed class ChorusProcessor : IProcessor
{
    private const double LeastMs = 5;

    private readonly CubicLine[] _voices;
    private readonly float _wet;
    private readonly double _turnsPerFrame;
    private readonly double _leastFrames;
    private readonly double _depthFrames;
    private long _frame;

    /// <param name="lanes">1 or 2.</param>
    public ChorusProcessor(Map<double> settings, int lanes, int sampleRateHz)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Chorus)!;
        _wet = (float)(kind.Value(settings, "mix-percent") / 100);
        _turnsPerFrame = kind.Value(settings, "rate-hz") / sampleRateHz;
        _leastFrames = LeastMs * sampleRateHz / 1000;
        _depthFrames = kind.Value(settings, "depth-ms") * sampleRateHz / 1000;
        _voices = [.. Enumerable.Range(0, lanes).Select(_ => new CubicLine((int)(_leastFrames + _depthFrames) + 4))];
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
