using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>A sine without attack or release, whose phase restarts at each hit: a key signal that is the same every time.</summary>
public sealed class KeyToneVoice : IVoice
{
    private readonly double _step;
    private readonly double _level;
    private double _turns;

    public KeyToneVoice(NoteEvent note, Map<double> settings, int sampleRateHz)
    {
        var kind = InstrumentCatalogue.Find(InstrumentCatalogue.KeyTone)!;
        _step = kind.Value(settings, "tone-hz") / sampleRateHz;
        _level = new Decibels(kind.Value(settings, "level-db")).Linear;
        LengthFrames = note.EndFrame - note.StartFrame;
    }

    public long LengthFrames { get; }

    public int Output => 1;

    public (float Left, float Right) Next()
    {
        var sample = (float)(_level * Sine.OfTurns(_turns));
        _turns += _step;
        return (sample, sample);
    }
}
