using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Gullwing: a slow pad of harmonics, each side a little off the other, so that it drifts.</summary>
/// <remarks>Additive: the nth harmonic of a saw has 1/n of the first (Fourier); above the brightness each octave loses 12 dB
/// more.</remarks>
public sealed class PadVoice : IVoice
{
    private const double Gain = 0.16;
    private const int MostHarmonics = 24;

    private readonly Envelope _amplitude;
    private readonly Partial[] _left;
    private readonly Partial[] _right;

    public PadVoice(NoteEvent note, Map<double> settings, int sampleRateHz)
    {
        var kind = InstrumentCatalogue.Find(InstrumentCatalogue.Gullwing)!;
        double Value(string id) => kind.Value(settings, id);
        _amplitude = new(note.EndFrame - note.StartFrame, Value("attack-ms"), 4000, 0.8, Value("release-ms"), sampleRateHz);
        var bright = Value("brightness-hz") * (0.5 + note.Velocity / 127.0);
        var apart = Value("drift-percent") / 100 * 0.004;
        var gain = Gain * note.Strength;
        _left = [.. Harmonics(note, 1 - apart, bright, gain, sampleRateHz, 1)];
        _right = [.. Harmonics(note, 1 + apart, bright, gain, sampleRateHz, 2)];
    }

    public long LengthFrames => _amplitude.LengthFrames;

    public void Next(Span<float> left, Span<float> right)
    {
        left.Clear();
        right.Clear();
        for (var i = 0; i < _left.Length; i++)
            _left[i].AddTo(left);
        for (var i = 0; i < _right.Length; i++)
            _right[i].AddTo(right);
        _amplitude.Turn(left, right);
    }

    private static IEnumerable<Partial> Harmonics(NoteEvent note, double detune, double bright, double gain, int sampleRateHz, uint side)
    {
        var chance = new Noise((uint)note.Number * 31 + side);
        for (var n = 1; n <= MostHarmonics; n++)
        {
            // Three strings a harmonic: in the middle and a little to each side, so that it never stands still.
            var hz = note.FrequencyHz * n * detune;
            if (hz > 0.45 * sampleRateHz)
                yield break;
            var dulled = 1 / (1 + Math.Pow(hz / bright, 2));
            foreach (var off in new[] { 1, 1.0021 })
                yield return new(hz * off / sampleRateHz, gain * dulled / n / 2, 1, 0.5 * (chance.Next() + 1));
        }
    }
}
