using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A drawn gain curve that every trigger note, or every so many quarters, restarts from its start; it hears no
/// audio key. It is where the curve starts at the hit, not after it.</summary>
public sealed class DuckerProcessor : IProcessor, IReducesGain, IFollowsTempo
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Ducker)!;

    private readonly Sequence<ShapePoint> _curve;
    private readonly IReadOnlyList<long> _restarts;
    private double _lengthQuarters;
    private double _depthDb;
    private readonly int _sampleRateHz;
    private readonly double _glideFrames;
    private readonly double _firstTempoBpm;
    private double _tempoBpm;
    private double _lengthFrames;
    private long _frame;
    private long _since = long.MaxValue / 2;
    private int _next;
    private double _downDb;

    /// <param name="trigger">Its curve; null for the plain one.</param>
    public DuckerProcessor(Map<double> settings, NoteTrigger? trigger, Surroundings surroundings)
    {
        _curve = (trigger ?? NoteTrigger.Plain).Curve;
        _restarts = surroundings.Restarts;
        _sampleRateHz = surroundings.SampleRateHz;
        _glideFrames = DuckerLaw.GlideMs / 1000 * _sampleRateHz;
        _firstTempoBpm = _tempoBpm = surroundings.TempoBpm;
        Retune(settings);
    }

    public float LastReductionDb => (float)_downDb;

    public float LargestReductionDb { get; private set; }

    public void Retune(Map<double> settings)
    {
        _lengthQuarters = Kind.Value(settings, "length-quarters");
        _depthDb = Kind.Value(settings, "depth-db");
        SetTempo(_tempoBpm);
    }

    public void SetTempo(double tempoBpm)
    {
        _tempoBpm = tempoBpm;
        _lengthFrames = DuckerLaw.LengthFrames(_lengthQuarters, tempoBpm, _sampleRateHz);
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        LargestReductionDb = 0;
        var left = signal.Lane(0, frames);
        var right = signal.Lane(signal.Lanes - 1, frames);
        for (var i = 0; i < frames; i++, _frame++, _since++)
        {
            for (; _next < _restarts.Count && _restarts[_next] <= _frame; _next++)
                _since = _frame - _restarts[_next];
            _downDb = DuckerLaw.ReductionDb(_curve, _since / _lengthFrames, _depthDb);
            if (_next < _restarts.Count && _restarts[_next] - _frame is var ahead && ahead < _glideFrames)
                _downDb = DuckerLaw.GlidingDb(_downDb, DuckerLaw.ReductionDb(_curve, 0, _depthDb), 1 - ahead / _glideFrames);
            LargestReductionDb = Math.Max(LargestReductionDb, (float)_downDb);
            var gain = _downDb == 0 ? 1 : (float)Math.Pow(10, -_downDb / 20);
            left[i] *= gain;
            if (signal.Lanes == 2)
                right[i] *= gain;
        }
    }

    public void Reset()
    {
        (_frame, _since, _next, _downDb) = (0, long.MaxValue / 2, 0, 0);
        SetTempo(_firstTempoBpm);
    }
}
