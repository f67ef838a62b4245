using HomeStage.Core.Catalogue;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A compressor whose lanes are linked by the larger side, with an optional key.</summary>
/// <remarks>Giannoulis, Massberg and Reiss 2012: peak level in dB → static curve → smoothing in dB, attack while the
/// reduction grows, release while it falls.</remarks>
public sealed class CompressorProcessor : IProcessor
{
    private const double NepersPerDb = 0.11512925464970229;

    // A reduction of a millionth of a dB is none.
    private const double Settled = 1e-6;

    private readonly double _thresholdDb;
    private readonly double _ratio;
    private readonly double _kneeDb;
    private readonly double _attack;
    private readonly double _release;
    private readonly double _makeUpDb;
    private readonly float _wet;
    private readonly float _kneeBottom;
    private readonly float _restGain;
    private readonly KeyFilter _keyFilter;
    private double _reductionDb;

    /// <param name="key">The insert's key input; its cuts colour what the detector hears.</param>
    public CompressorProcessor(Map<double> settings, KeyInput? key, int sampleRateHz)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Compressor)!;
        _thresholdDb = kind.Value(settings, "threshold-db");
        _ratio = kind.Value(settings, "ratio");
        _kneeDb = kind.Value(settings, "knee-db");
        _attack = CompressorLaw.Smoothing(kind.Value(settings, "attack-ms"), sampleRateHz);
        _release = CompressorLaw.Smoothing(kind.Value(settings, "release-ms"), sampleRateHz);
        _makeUpDb = kind.Value(settings, "make-up-db");
        _wet = (float)(kind.Value(settings, "mix-percent") / 100);
        _kneeBottom = (float)new Decibels(_thresholdDb - _kneeDb / 2).Linear;
        _restGain = 1 + _wet * ((float)new Decibels(_makeUpDb).Linear - 1);
        _keyFilter = new(key, sampleRateHz);
    }

    /// <summary>How far the gain is down after the last frame, in dB, at least 0.</summary>
    public double ReductionDb => _reductionDb;

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        var heard = key ?? signal;
        if (key is not null)
            _keyFilter.Process(key, frames);
        var left = heard.Lane(0, frames);
        var right = heard.Lane(heard.Lanes - 1, frames);
        var outLeft = signal.Lane(0, frames);
        var outRight = signal.Lanes == 2 ? signal.Lane(1, frames) : default;
        for (var i = 0; i < frames; i++)
        {
            var gain = NextGain(Math.Max(Math.Abs(left[i]), Math.Abs(right[i])));
            outLeft[i] *= gain;
            if (!outRight.IsEmpty)
                outRight[i] *= gain;
        }
    }

    public void Reset()
    {
        _reductionDb = 0;
        _keyFilter.Reset();
    }

    private float NextGain(float level)
    {
        // Below the knee nothing is wanted, and once let go nothing is left to do: no logarithm is spent on either.
        var wanted = level <= _kneeBottom ? 0 : WantedDb(level);
        if (wanted <= 0 && _reductionDb < Settled)
        {
            _reductionDb = 0;
            return _restGain;
        }

        var keep = wanted > _reductionDb ? _attack : _release;
        _reductionDb = keep * _reductionDb + (1 - keep) * wanted;
        return 1 + _wet * ((float)Math.Exp((_makeUpDb - _reductionDb) * NepersPerDb) - 1);
    }

    private double WantedDb(float level)
    {
        var levelDb = Math.Log(level) / NepersPerDb;
        return levelDb - CompressorLaw.OutputDb(levelDb, _thresholdDb, _ratio, _kneeDb);
    }
}
