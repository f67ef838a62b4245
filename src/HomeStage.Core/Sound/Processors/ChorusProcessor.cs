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
    private double _rateHz;
    private double _depthMs;
    private readonly int _sampleRateHz;
    private long _frame;
    private double _turnsBefore;
    private long _turnedAt;

    /// <param name="lanes">1 or 2.</param>
    public ChorusProcessor(Map<double> settings, int lanes, int sampleRateHz)
    {
        _sampleRateHz = sampleRateHz;
        Retune(settings);
        _voices = [.. Enumerable.Range(0, lanes).Select(_ => new CubicLine((int)ChorusLaw.DelayFrames(1, Kind.Find("depth-ms")!.Max, sampleRateHz) + 4))];
    }

    /// <summary>The sway goes on from where it is.</summary>
    public void Retune(Map<double> settings)
    {
        var rate = Kind.Value(settings, "rate-hz");
        if (rate != _rateHz)
        {
            _turnsBefore = Turns(_frame, 0);
            (_turnedAt, _rateHz) = (_frame, rate);
        }

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
                var sway = Sine.OfTurns(Turns(_frame + i, lane));
                _voices[lane].Put(samples[i]);
                samples[i] += _wet * (_voices[lane].At(ChorusLaw.DelayFrames(sway, _depthMs, _sampleRateHz)) - samples[i]);
            }
        }

        _frame += frames;
    }

    public void Reset()
    {
        (_frame, _turnsBefore, _turnedAt) = (0, 0, 0);
        foreach (var voice in _voices)
            voice.Reset();
    }

    private double Turns(long frame, int lane) => _turnsBefore + ChorusLaw.Turns(frame - _turnedAt, lane, _rateHz, _sampleRateHz);
}
