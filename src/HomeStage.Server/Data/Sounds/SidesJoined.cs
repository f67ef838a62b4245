using System.Collections.Concurrent;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Formats;
using HomeStage.Formats.Wave;

namespace HomeStage.Server.Data.Sounds;

/// <summary>Makes one sound with two sides of two single ones, and has it wait until an edit uses it.</summary>
public sealed class SidesJoined(StagedSounds staged, MediaStore shelf)
{
    private const int MostRemembered = 1000;

    private readonly ConcurrentDictionary<(string Left, string Right), MediaRef> _joined = new();

    /// <summary>The shorter side is filled with silence.</summary>
    /// <returns>Null where a side cannot be read, is none, or has another sample rate than the other.</returns>
    public MediaRef? Of(MediaRef left, MediaRef right)
    {
        if (_joined.TryGetValue((left.Content, right.Content), out var known) && (staged.IsWaiting(known.Content) || shelf.IsHere(known.Content)))
            return known;
        if (Lane(left) is not { } l || Lane(right) is not { } r || left.SampleRateHz != right.SampleRateHz)
            return null;
        var frames = Math.Max(l.Length, r.Length);
        Array.Resize(ref l, frames);
        Array.Resize(ref r, frames);
        var wave = WaveWriter.Bytes(new RenderedSound(l, r, left.SampleRateHz, 0), WaveDepth.Float32);
        if (staged.Put(wave, left.Title) is not FormatResult<MediaRef>.Read made)
            return null;
        if (_joined.Count >= MostRemembered)
            _joined.Clear();
        return _joined[(left.Content, right.Content)] = made.Value;
    }

    private float[]? Lane(MediaRef sound)
    {
        var bytes = staged.FileOf(sound.Content);
        var read = bytes is null ? shelf.Find(sound.Content) : WaveReader.Read(bytes) is FormatResult<MediaSound>.Read waiting ? waiting.Value : null;
        return read is { Lanes: [var only] } ? [.. only] : null;
    }
}
