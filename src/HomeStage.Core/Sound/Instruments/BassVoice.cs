using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Undertow: a band-limited saw through a closing low-pass, with a sine under it.</summary>
/// <remarks>Saw corrected at its jump by a two-sample polynomial (Välimäki and Huovilainen, IEEE Signal Process. Mag.
/// 24(2), 2007); state-variable low-pass by trapezoidal integration (V. Zavalishin, "The Art of VA Filter Design", ch. 3–4).
/// Both from memory.</remarks>
public sealed class BassVoice : IVoice
{
    private const double Gain = 0.6;
    private const double Damping = 1.25;

    private readonly Envelope _amplitude;
    private readonly double _step;
    private readonly double _cutoffHz;
    private readonly double _biteKeep;
    private readonly double _sub;
    private readonly double _strength;
    private readonly int _sampleRateHz;
    private double _g;
    private double _rise;
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
        _biteKeep = Math.Exp(-8 / (0.07 * sampleRateHz));
        _sub = kind.Value(settings, "sub-percent") / 100;
        _strength = Gain * note.Strength;
        _sampleRateHz = sampleRateHz;
    }

    public long LengthFrames => _amplitude.LengthFrames;

    public void Next(Span<float> left, Span<float> right)
    {
        for (var i = 0; i < IVoice.Chunk; i += 8, _bite *= _biteKeep)
        {
            Tune();
            for (var k = i; k < i + 8; k++)
                left[k] = NextSample();
        }

        _amplitude.Turn(left);
        left.CopyTo(right);
    }

    private float NextSample()
    {
        var saw = 2 * _phase - 1 - Correction(_phase, _step);
        var sine = Sine.OfTurns(_phase);
        _phase += _step;
        if (_phase >= 1)
            _phase -= 1;
        return (float)(_strength * (LowPass(saw) + 1.1 * _sub * sine));
    }

    /// <summary>The cutoff moves every eight frames.</summary>
    private void Tune()
    {
        _g = Math.Tan(Math.PI * Math.Min(_cutoffHz * (1 + _bite), 0.4 * _sampleRateHz) / _sampleRateHz);
        _rise = 1 / (1 + Damping * _g + _g * _g);
    }

    private double LowPass(double x)
    {
        var high = (x - (Damping + _g) * _band - _low) * _rise;
        var band = _band + _g * high;
        var low = _low + _g * band;
        _band = band + _g * high;
        _low = low + _g * band;
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
