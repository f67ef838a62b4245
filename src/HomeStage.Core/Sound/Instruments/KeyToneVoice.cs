using System.Runtime.Intrinsics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>A sine whose phase restarts at each hit: a key signal that is the same every time. Without attack and release it begins and ends
/// at once, which is what a detector answers to best; with them it rises and falls as half a cosine.</summary>
public sealed class KeyToneVoice : IVoice
{
    private readonly double _step;
    private readonly float _level;
    private readonly long _attackFrames;
    private readonly long _holdFrames;
    private readonly long _releaseFrames;
    private double _turns;
    private long _frame;

    public KeyToneVoice(NoteEvent note, Map<double> settings, int sampleRateHz)
    {
        var kind = InstrumentCatalogue.Find(InstrumentCatalogue.KeyTone)!;
        long Frames(string parameter) => (long)Math.Round(kind.Value(settings, parameter) * sampleRateHz / 1000);
        _step = kind.Value(settings, "tone-hz") / sampleRateHz;
        _level = (float)new Decibels(kind.Value(settings, "level-db")).Linear;
        _attackFrames = Frames("attack-ms");
        _holdFrames = Frames("hold-ms") is > 0 and var hold ? hold : note.EndFrame - note.StartFrame;
        _releaseFrames = Frames("release-ms");
        LengthFrames = _holdFrames + _releaseFrames;
    }

    public long LengthFrames { get; }

    public void Next(Span<float> left, Span<float> right)
    {
        for (var i = 0; i < IVoice.Chunk; i += 8, _turns += 8 * _step)
            (Waves.Sine(Waves.Turns(_turns, _step)) * _level).CopyTo(left[i..]);
        if (_attackFrames > 0 || _releaseFrames > 0)
            for (var i = 0; i < IVoice.Chunk; i++)
                left[i] *= (float)ShareAt(_frame + i);
        _frame += IVoice.Chunk;
        left.CopyTo(right);
    }

    private double ShareAt(long frame)
    {
        var up = frame < _attackFrames ? HalfCosine((double)frame / _attackFrames) : 1;
        return frame < _holdFrames ? up : _releaseFrames == 0 ? 0 : up * HalfCosine(1 - Math.Min(1, (double)(frame - _holdFrames) / _releaseFrames));
    }

    private static double HalfCosine(double share) => (1 - Math.Cos(Math.PI * share)) / 2;
}
