using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Reedbox: two ranks of free reeds, a hair apart so that they beat, and a bellows that shakes a little.</summary>
/// <remarks>A reed's harmonics are strong to the tenth and fall by 1/n^1.2 (common practice of additive synthesis).</remarks>
public sealed class OrganVoice : IVoice
{
    private const double Gain = 0.2;
    private const double ShakeHz = 5.6;

    private readonly Envelope _amplitude;
    private readonly Partial[] _reeds;
    private readonly double _shakeStep;
    private readonly double _shake;
    private double _shakeTurns;

    public OrganVoice(NoteEvent note, Map<double> settings, int sampleRateHz)
    {
        var kind = InstrumentCatalogue.Find(InstrumentCatalogue.Reedbox)!;
        double Value(string id) => kind.Value(settings, id);
        _amplitude = new(note.EndFrame - note.StartFrame, 28, 200, 0.94, 70, sampleRateHz);
        var beat = Value("beat-hz");
        var gain = Gain * (0.55 + 0.45 * note.Strength);
        _reeds = [.. Rank(note.FrequencyHz, gain, sampleRateHz), .. Rank(note.FrequencyHz + beat, 0.8 * gain, sampleRateHz),
            .. Rank(note.FrequencyHz / 2, gain * Value("low-rank-percent") / 100, sampleRateHz)];
        _shakeStep = ShakeHz / sampleRateHz;
        _shakeTurns = _shakeStep * note.StartFrame;
        _shake = 0.3 * Value("shake-percent") / 100;
    }

    public long LengthFrames => _amplitude.LengthFrames;

    public void Next(Span<float> left, Span<float> right)
    {
        left.Clear();
        for (var i = 0; i < _reeds.Length; i++)
            _reeds[i].AddTo(left);
        for (var i = 0; i < IVoice.Chunk; i++, _shakeTurns += _shakeStep)
            left[i] *= (float)(1 - _shake * (1 + Sine.OfTurns(_shakeTurns)) / 2);
        _amplitude.Turn(left);
        left.CopyTo(right);
    }

    private static IEnumerable<Partial> Rank(double hz, double gain, int sampleRateHz)
    {
        for (var n = 1; n <= 12 && hz * n < 0.45 * sampleRateHz && gain > 0; n++)
            yield return new(hz * n / sampleRateHz, gain * (n % 2 == 0 ? 0.7 : 1) / Math.Pow(n, 1.2), 1, n * 0.13);
    }
}
