using HomeStage.Core.Catalogue;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Driftwood: a plucked string.</summary>
/// <remarks>K. Karplus and A. Strong, "Digital Synthesis of Plucked-String and Drum Timbres", Computer Music Journal 7(2), 1983;
/// with the tuning by an all-pass and the pick's place by a comb of D. Jaffe and J. Smith, "Extensions of the Karplus-Strong
/// Plucked-String Algorithm", same issue.</remarks>
public sealed class StringVoice : IVoice
{
    private const double Gain = 0.75;

    private readonly Envelope _amplitude;
    private readonly float[] _string;
    private readonly float _share;
    private readonly float _keep;
    private readonly float _tuning;
    private readonly float _strength;
    private int _place;
    private float _before;
    private float _tuned;
    private float _tunedFrom;

    public StringVoice(NoteEvent note, Map<double> settings, int sampleRateHz)
        : this(note, InstrumentCatalogue.Find(InstrumentCatalogue.Driftwood)!.Value(settings, "decay-ms"),
            InstrumentCatalogue.Find(InstrumentCatalogue.Driftwood)!.Value(settings, "brightness-percent"),
            InstrumentCatalogue.Find(InstrumentCatalogue.Driftwood)!.Value(settings, "release-ms"), sampleRateHz)
    {
    }

    /// <param name="decayMs">Until the middle of the keyboard is 60 dB down.</param>
    /// <param name="brightPercent">In [0, 100].</param>
    internal StringVoice(NoteEvent note, double decayMs, double brightPercent, double releaseMs, int sampleRateHz)
    {
        _amplitude = new(note.EndFrame - note.StartFrame, 0.5, 60000, 1, releaseMs, sampleRateHz);
        var period = sampleRateHz / note.FrequencyHz;
        // The loop filter weighs two neighbours: (1 − s)·x + s·x₁, late by s frames at low frequencies.
        _share = (float)(0.5 - 0.45 * brightPercent / 100);
        var whole = (int)(period - _share - 0.1);
        var rest = period - _share - whole;
        _tuning = (float)((1 - rest) / (1 + rest));
        var seconds = decayMs / 1000 * Math.Pow(2, (60 - note.Number) / 30.0);
        _keep = (float)Math.Pow(10, -3 * period / (sampleRateHz * seconds));
        _strength = (float)(Gain * note.Strength);
        _string = Plucked(note, whole);
    }

    public long LengthFrames => _amplitude.LengthFrames;

    public void Next(Span<float> left, Span<float> right)
    {
        for (var i = 0; i < IVoice.Chunk; i++)
        {
            var heard = _string[_place];
            var dulled = _keep * ((1 - _share) * heard + _share * _before);
            _before = heard;
            _tuned = _tuning * (dulled - _tuned) + _tunedFrom;
            _tunedFrom = dulled;
            _string[_place] = Math.Abs(_tuned) < 1e-15f ? 0 : _tuned;
            _place = _place + 1 == _string.Length ? 0 : _place + 1;
            left[i] = _strength * heard;
        }

        _amplitude.Turn(left);
        left.CopyTo(right);
    }

    /// <summary>Noise that is softer for softer notes, combed by the pick's place at an eighth of the string, without an offset.</summary>
    private static float[] Plucked(NoteEvent note, int frames)
    {
        var noise = new Noise((uint)(note.Ordinal * 13 + note.Number));
        var soft = 0.75f - 0.6f * note.Velocity / 127;
        var (raw, last) = (new float[frames], 0f);
        for (var i = 0; i < 2 * frames; i++)
            raw[i % frames] = last = noise.Next() + soft * (last - noise.Next());
        var pick = Math.Max(1, frames / 8);
        var plucked = raw.Select((x, i) => x - raw[(i + frames - pick) % frames]).ToArray();
        var mean = plucked.Average();
        var size = plucked.Max(x => Math.Abs(x - mean));
        return [.. plucked.Select(x => (x - mean) / size)];
    }
}
