using System.Runtime.Intrinsics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Bellbuoy: a struck tone by frequency modulation, a short bell above it, swaying between the sides.</summary>
/// <remarks>J. Chowning, "The Synthesis of Complex Audio Spectra by Means of Frequency Modulation", J. Audio Eng. Soc.
/// 21(7), 1973.</remarks>
public sealed class KeysVoice : IVoice
{
    private const double Gain = 0.42;
    private const double SwayHz = 4.3;
    private const double RadToTurns = 0.5 / Math.PI;

    private readonly Envelope _amplitude;
    private readonly double _step;
    private readonly double _swayStep;
    private readonly double _sway;
    private readonly float _strength;
    private readonly double _bellKeep;
    private readonly double _brightKeep;
    private double _bell;
    private double _bright;
    private double _turns;
    private double _swayTurns;

    public KeysVoice(NoteEvent note, Map<double> settings, int sampleRateHz)
    {
        var kind = InstrumentCatalogue.Find(InstrumentCatalogue.Bellbuoy)!;
        // Lower strings ring longer: the decay halves with every two octaves up.
        var decayMs = kind.Value(settings, "decay-ms") * Math.Pow(2, (60 - note.Number) / 24.0);
        _amplitude = new(note.EndFrame - note.StartFrame, 1.5, decayMs, 0, kind.Value(settings, "release-ms"), sampleRateHz);
        _step = note.FrequencyHz / sampleRateHz;
        _swayStep = SwayHz / sampleRateHz;
        // The sway keeps its own time whenever a note starts, so that chords sway together.
        _swayTurns = _swayStep * note.StartFrame;
        _sway = 0.45 * kind.Value(settings, "sway-percent") / 100;
        _strength = (float)(Gain * note.Strength);
        _bell = 0.5 * kind.Value(settings, "bell-percent") / 100;
        _bellKeep = Math.Exp(-8 / (0.16 * sampleRateHz));
        _bright = 0.35 + 1.5 * note.Velocity / 127.0;
        _brightKeep = Math.Exp(-8 / (0.45 * sampleRateHz));
    }

    public long LengthFrames => _amplitude.LengthFrames;

    public void Next(Span<float> left, Span<float> right)
    {
        for (var i = 0; i < IVoice.Chunk; i += 8)
        {
            var turns = Waves.Turns(_turns, _step);
            var body = Waves.Sine(turns + Waves.Sine(turns) * (float)(_bright * RadToTurns));
            var high = Waves.Sine(Waves.Turns(7.01 * _turns, 7.01 * _step)) * (float)(0.6 * RadToTurns);
            var bell = Waves.Sine(Waves.Turns(4 * _turns, 4 * _step) + high) * (float)_bell;
            var sample = (body + bell) * _strength;
            var lean = Waves.Sine(Waves.Turns(_swayTurns, _swayStep)) * (float)_sway;
            (sample * (Vector256<float>.One + lean)).CopyTo(left[i..]);
            (sample * (Vector256<float>.One - lean)).CopyTo(right[i..]);
            _turns += 8 * _step;
            _swayTurns += 8 * _swayStep;
            _bell *= _bellKeep;
            _bright *= _brightKeep;
        }

        _amplitude.Turn(left, right);
    }
}
