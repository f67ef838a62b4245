using System.Runtime.Intrinsics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>A sine without attack or release, whose phase restarts at each hit: a key signal that is the same every time.</summary>
public sealed class KeyToneVoice : IVoice
{
    private readonly double _step;
    private readonly float _level;
    private double _turns;

    public KeyToneVoice(NoteEvent note, Map<double> settings, int sampleRateHz)
    {
        var kind = InstrumentCatalogue.Find(InstrumentCatalogue.KeyTone)!;
        _step = kind.Value(settings, "tone-hz") / sampleRateHz;
        _level = (float)new Decibels(kind.Value(settings, "level-db")).Linear;
        LengthFrames = note.EndFrame - note.StartFrame;
    }

    public long LengthFrames { get; }

    public void Next(Span<float> left, Span<float> right)
    {
        for (var i = 0; i < IVoice.Chunk; i += 8, _turns += 8 * _step)
            (Waves.Sine(Waves.Turns(_turns, _step)) * _level).CopyTo(left[i..]);
        left.CopyTo(right);
    }
}
