using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Undertow: a band-limited saw through a closing low-pass, with a sine under it.</summary>
/// <remarks>Saw corrected at its jump by a two-sample polynomial (Välimäki and Huovilainen, IEEE Signal Process. Mag.
/// 24(2), 2007); state-variable low-pass by trapezoidal integration (V. Zavalishin, "The Art of VA Filter Design", ch. 3–4).
/// Both from memory.</remarks>
public sealed class BassVoice : IVoice
{
    private const double Gain = 0.6;

    private readonly Envelope _amplitude;
    private readonly double _step;
    private readonly double _cutoffHz;
    private readonly double _biteKeep;
    private readonly double _sub;
    private readonly double _strength;
    private readonly int _sampleRateHz;
    private double _bite;
    private double _phase;
    private double _low;
    private double _band;

    public BassVoice(NoteEvent note, Map<double> settings, int sampleRateHz)
    {
        var kind = InstrumentCatalogue.Find(InstrumentCatalogue.Undertow)!;
        _amplitude = new(note.EndFrame - note.StartFrame, 3, 2600, 0.55, kind.Value(settings, "release-ms"), sampleRateHz);
        _step = note.FrequencyHz / sampleRateHz;
        _cutoffHz = kind.Value(settings, "cutoff-hz") * (0.6 + 0.8 * note.Velocity / 127.0);
        _bite = 7 * kind.Value(settings, "bite-percent") / 100;
        _biteKeep = Math.Exp(-1 / (0.07 * sampleRateHz));
        _sub = kind.Value(settings, "sub-percent") / 100;
        _strength = Gain * note.Strength;
        _sampleRateHz = sampleRateHz;
    }

    public long LengthFrames => _amplitude.LengthFrames;

    public int Output => 1;

    public (float Left, float Right) Next()
    {
        var saw = 2 * _phase - 1 - Correction(_phase, _step);
        var sine = Sine.OfTurns(_phase);
        _phase += _step;
        if (_phase >= 1)
            _phase -= 1;
        var sample = (float)(_strength * _amplitude.Next() * (LowPass(saw) + 1.1 * _sub * sine));
        return (sample, sample);
    }

    private double LowPass(double x)
    {
        const double Damping = 1.25;
        var cutoff = Math.Min(_cutoffHz * (1 + _bite), 0.4 * _sampleRateHz);
        _bite *= _biteKeep;
        var g = Math.Tan(Math.PI * cutoff / _sampleRateHz);
        var high = (x - (Damping + g) * _band - _low) / (1 + Damping * g + g * g);
        var band = _band + g * high;
        var low = _low + g * band;
        _band = band + g * high;
        _low = low + g * band;
        return low;
    }

    /// <summary>What a naive saw has too much within a sample of its jump.</summary>
    private static double Correction(double phase, double step)
    {
        if (phase < step)
        {
            var t = phase / step;
            return t + t - t * t - 1;
        }

        if (phase > 1 - step)
        {
            var t = (phase - 1) / step;
            return t * t + t + t + 1;
        }

        return 0;
    }
}
