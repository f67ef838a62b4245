using HomeStage.Core.Media;
using HomeStage.Formats;
using HomeStage.Formats.Sfz;
using HomeStage.Formats.Wave;

namespace HomeStage.Server.Data.Sounds;

/// <summary>Sounds that a file brought or that were printed, and that wait for an edit to use them. They take no place on the shelf until then,
/// and go after an hour, at the next start, or when others need the room.</summary>
/// <param name="folder">Where they wait; on the same disk as the shelf.</param>
/// <param name="mostBytes">What they may take together; the oldest go first.</param>
public sealed class StagedSounds(MediaStore shelf, TimeProvider clock, string folder, long mostBytes = StagedSounds.Usual)
{
    private const long Usual = 4L * 1024 * 1024 * 1024;
    private static readonly TimeSpan Patience = TimeSpan.FromHours(1);

    private readonly Lock _gate = new();
    private readonly Dictionary<string, Waiting> _waiting = new(StringComparer.Ordinal);

    /// <summary>What may wait together.</summary>
    public long MostBytes => mostBytes;

    /// <summary>What is waiting takes so much.</summary>
    public long Bytes
    {
        get
        {
            lock (_gate)
                return _waiting.Values.Sum(w => w.Bytes);
        }
    }

    public bool IsWaiting(string content)
    {
        lock (_gate)
            return _waiting.ContainsKey(content);
    }

    /// <returns>The WAVE file that waits; null where it does not.</returns>
    public byte[]? FileOf(string content)
    {
        lock (_gate)
            return _waiting.ContainsKey(content) ? File.ReadAllBytes(PathOf(content)) : null;
    }

    /// <summary>Has a sound wait.</summary>
    /// <param name="file">A WAVE or AIFF file.</param>
    /// <param name="title">1 to 80 characters.</param>
    public FormatResult<MediaRef> Put(ReadOnlyMemory<byte> file, string title) => BroughtSound.AsWave(file).Then(wave => WaveReader.ReadFacts(wave.Span).Then<MediaRef>(facts =>
    {
        var sound = new MediaRef(MediaFiles.ContentOf(wave.Span), title, facts.SampleRateHz, facts.Lanes, facts.Frames);
        Put(sound, wave.Span);
        return new FormatResult<MediaRef>.Read(sound);
    }));

    /// <summary>A place for the samples of one file.</summary>
    public ISampleTray Tray(Func<string, string> titleOf) => new SampleTray(this, titleOf);

    /// <summary>Puts those that are used now on the shelf; contents that do not wait here are passed over.</summary>
    /// <returns>Why that cannot be; null where it was done.</returns>
    public async Task<string?> KeepAsync(IReadOnlyCollection<string> contents, CancellationToken cancellation)
    {
        foreach (var content in contents)
        {
            if (Take(content) is not { } waiting)
                continue;
            if (await shelf.TakeAsync(waiting.Sound, waiting.Bytes, PathOf(content), cancellation) is FormatResult<MediaRef>.Refused refused)
            {
                lock (_gate)
                    _waiting[content] = waiting;
                return refused.Sentence;
            }

            File.Delete(PathOf(content));
        }

        return null;
    }

    /// <summary>Removes what has waited too long.</summary>
    public void Clear()
    {
        var now = clock.GetUtcNow();
        lock (_gate)
            foreach (var (content, _) in _waiting.Where(w => now - w.Value.Since > Patience).ToList())
                Drop(content);
    }

    /// <summary>Removes what an earlier run of the program has left.</summary>
    public void ClearAll()
    {
        if (Directory.Exists(folder))
            Directory.Delete(folder, recursive: true);
    }

    private Waiting? Take(string content)
    {
        lock (_gate)
            return _waiting.Remove(content, out var waiting) ? waiting : null;
    }

    private void Put(MediaRef sound, ReadOnlySpan<byte> wave)
    {
        lock (_gate)
        {
            while (_waiting.Count > 0 && _waiting.Values.Sum(w => w.Bytes) + wave.Length > mostBytes)
                Drop(_waiting.MinBy(w => w.Value.Since).Key);
            Directory.CreateDirectory(folder);
            File.WriteAllBytes(PathOf(sound.Content), wave);
            _waiting[sound.Content] = new(sound, wave.Length, clock.GetUtcNow());
        }
    }

    private void Drop(string content)
    {
        _waiting.Remove(content);
        File.Delete(PathOf(content));
    }

    private string PathOf(string content) => Path.Combine(folder, $"{content}.wav");

    private sealed record Waiting(MediaRef Sound, long Bytes, DateTimeOffset Since);

    private sealed class SampleTray(StagedSounds staged, Func<string, string> titleOf) : ISampleTray
    {
        public FormatResult<MediaRef> Take(string path, byte[] file) => staged.Put(file, titleOf(path));
    }
}
