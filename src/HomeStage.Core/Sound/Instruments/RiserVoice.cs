using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Squall: a wind that rises over the length of its note, noise through a band that climbs, with a whistle in it.</summary>
/// <remarks>State-variable filter by trapezoidal integration (V. Zavalishin, "The Art of VA Filter Design", ch. 4; from memory).</remarks>
public sealed class RiserVoice : IVoice
{
    private const double Gain = 1.1;
    private const double LowestHz = 180;

    private readonly Envelope _amplitude;
    private readonly double _frames;
    private readonly double _octaves;
    private readonly double _whistle;
    private readonly double _damping;
    private readonly float _strength;
    private readonly int _sampleRateHz;
    private Noise _leftNoise;
    private Noise _rightNoise;
    private (double Low, double Band) _leftState;
    private (double Low, double Band) _rightState;
    private double _turns;
    private long _frame;

    public RiserVoice(NoteEvent note, Map<double> settings, int sampleRateHz)
    {
        var kind = InstrumentCatalogue.Find(InstrumentCatalogue.Squall)!;
        _frames = note.EndFrame - note.StartFrame;
        _amplitude = new(note.EndFrame - note.StartFrame, 12, 60000, 1, kind.Value(settings, "release-ms"), sampleRateHz);
        _octaves = kind.Value(settings, "rise-octaves");
        _whistle = kind.Value(settings, "whistle-percent") / 100;
        _damping = 0.35;
        _strength = (float)(Gain * note.Strength * Noise.RateGain(sampleRateHz));
        _sampleRateHz = sampleRateHz;
        _leftNoise = new((uint)note.Ordinal * 2 + 1);
        _rightNoise = new((uint)note.Ordinal * 2 + 2);
    }

    public long LengthFrames => _amplitude.LengthFrames;

    public void Next(Span<float> left, Span<float> right)
    {
        for (var i = 0; i < IVoice.Chunk; i += 8, _frame += 8)
        {
            var way = Math.Min(1, _frame / _frames);
            var hz = Math.Min(LowestHz * Math.Pow(2, _octaves * way), 0.4 * _sampleRateHz);
            var g = Math.Tan(Math.PI * hz / _sampleRateHz);
            var level = _strength * (float)(way * way);
            for (var k = i; k < i + 8; k++)
            {
                var tone = 0.25 * _whistle * Sine.OfTurns(_turns);
                _turns += hz / _sampleRateHz;
                left[k] = level * (float)(Band(_leftNoise.Next(), g, ref _leftState) + tone);
                right[k] = level * (float)(Band(_rightNoise.Next(), g, ref _rightState) + tone);
            }
        }

        _amplitude.Turn(left, right);
    }

    private double Band(double x, double g, ref (double Low, double Band) state)
    {
        var high = (x - (_damping + g) * state.Band - state.Low) / (1 + _damping * g + g * g);
        var band = state.Band + g * high;
        var low = state.Low + g * band;
        state = (low + g * band, band + g * high);
        return _damping * band;
    }
}
