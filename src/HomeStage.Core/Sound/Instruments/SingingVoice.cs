using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>The voice-like performer that stands in for a microphone: a pulse through four formants, with vibrato and breath.</summary>
/// <remarks>Formants of the vowels a, e, o and u after G. Peterson and H. Barney, J. Acoust. Soc. Am. 24(2), 1952, men's
/// averages, rounded (from memory). Each note takes the next vowel.</remarks>
public sealed class SingingVoice : IVoice
{
    private const double Gain = 0.5;
    private const double VibratoHz = 5.2;
    private static readonly double[][] Vowels = [[730, 1090, 2440], [530, 1840, 2480], [570, 840, 2410], [300, 870, 2240]];

    private readonly Envelope _amplitude;
    private readonly FilterCascade[] _formants;
    private readonly float[] _pulse = new float[IVoice.Chunk];
    private readonly float[] _through = new float[IVoice.Chunk];
    private readonly double _step;
    private readonly float _strength;
    private readonly int _sampleRateHz;
    private Noise _breath;
    private double _phase;
    private double _glide = -0.03;
    private double _vibrato;

    public SingingVoice(NoteEvent note, int sampleRateHz)
    {
        _amplitude = new(note.EndFrame - note.StartFrame, 45, 600, 0.75, 160, sampleRateHz);
        _step = note.FrequencyHz / sampleRateHz;
        _strength = (float)(Gain * note.Strength);
        _sampleRateHz = sampleRateHz;
        _breath = new((uint)note.Ordinal + 77);
        var vowel = Vowels[note.Ordinal % Vowels.Length];
        _formants = [.. vowel.Append(3400).Select((hz, i) => new FilterCascade([Resonance(hz, 60 + 35 * i, sampleRateHz)]))];
    }

    public long LengthFrames => _amplitude.LengthFrames;

    public void Next(Span<float> left, Span<float> right)
    {
        for (var i = 0; i < IVoice.Chunk; i++)
            _pulse[i] = NextPulse();
        left.Clear();
        for (var f = 0; f < _formants.Length; f++)
        {
            _pulse.CopyTo(_through.AsSpan());
            _formants[f].Process(_through);
            var gain = _strength * (f == 0 ? 1 : 0.6f / f);
            for (var i = 0; i < IVoice.Chunk; i++)
                left[i] += gain * _through[i];
        }

        _amplitude.Turn(left);
        left.CopyTo(right);
    }

    /// <summary>A glottal pulse that opens in a parabola and shuts at once, with a little breath.</summary>
    private float NextPulse()
    {
        _vibrato += VibratoHz / _sampleRateHz;
        _glide *= 1 - 12.0 / _sampleRateHz;
        _phase += _step * (1 + _glide + 0.006 * Sine.OfTurns(_vibrato));
        if (_phase >= 1)
            _phase -= 1;
        var open = _phase / 0.6;
        var flow = open < 1 ? open * open * (1 - open) * 6.75 : 0;
        return (float)(flow - 0.34 + 0.02 * _breath.Next());
    }

    /// <summary>A band around a centre, 0 dB there: the cookbook's band-pass of constant peak.</summary>
    private static Biquad Resonance(double hz, double widthHz, int sampleRateHz)
    {
        var omega = 2 * Math.PI * hz / sampleRateHz;
        var alpha = Math.Sin(omega) * widthHz / hz / 2;
        var a0 = 1 + alpha;
        return new(alpha / a0, 0, -alpha / a0, -2 * Math.Cos(omega) / a0, (1 - alpha) / a0);
    }
}
