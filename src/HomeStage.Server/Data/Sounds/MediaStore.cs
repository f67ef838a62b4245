using System.Collections.Concurrent;
using HomeStage.Core.Media;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.Wave;
using HomeStage.Server.Memory;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Sounds;

/// <summary>The shelf of uploaded sound: each content once, on disk, bounded as a whole.</summary>
public sealed class MediaStore(IDbContextFactory<StageDb> databases, TimeProvider clock, MediaFiles files, MemoryBudget memory, WriteGate gate) : IMediaShelf
{
    public const long MostBytes = 16L * 1024 * 1024 * 1024;

    // One at a time, so that the same file sent twice at once is kept once.
    private readonly SemaphoreSlim _gate = new(1, 1);
    private readonly ByteCache<string, MediaSound> _inMemory = new(memory.Sounds);

    // What turned out to be missing or not what was uploaded; a file of that content sent again mends it.
    private readonly ConcurrentDictionary<string, byte> _wrong = new(StringComparer.Ordinal);

    /// <summary>How many sounds are known to be missing or damaged.</summary>
    public int Wrong => _wrong.Count;

    /// <returns>What is kept and not removed, the latest first.</returns>
    public async Task<IReadOnlyList<MediaRef>> ListAsync(CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var rows = await db.Media.AsNoTracking().Where(m => m.RemovedUtc == null).OrderByDescending(m => m.AddedUtc).ToListAsync(cancellation);
        return rows.ConvertAll(RefOf);
    }

    /// <summary>Keeps a sound, as a WAVE file; one whose content is here already is not kept twice, and mended where it was damaged.</summary>
    public Task<FormatResult<MediaRef>> AddAsync(ReadOnlyMemory<byte> file, string title, CancellationToken cancellation) => BroughtSound.AsWave(file).Match(
        wave => WaveReader.ReadFacts(wave.Span).Match(facts => KeepWaveAsync(wave, facts, title, cancellation), Refusing), Refusing);

    /// <summary>Keeps a file that lies on the same disk under another name.</summary>
    /// <param name="from">Gone afterwards.</param>
    internal Task<FormatResult<MediaRef>> TakeAsync(MediaRef sound, long bytes, string from, CancellationToken cancellation) => KeepAsync(
        RowOf(sound.Content, sound.Title, new(sound.SampleRateHz, sound.Lanes, sound.Frames), bytes),
        () =>
        {
            files.Take(sound.Content, from);
            return Task.CompletedTask;
        },
        cancellation);

    public bool IsHere(string content) => files.Exists(content);

    public MediaSound? Find(string content)
    {
        if (_inMemory.TryGet(content, out var known))
            return known;
        if (!files.Exists(content))
            return null;
        if (files.Whole(content) is not { } bytes || WaveReader.Read(bytes) is not FormatResult<MediaSound>.Read read)
        {
            NoteWrong(content);
            return null;
        }

        _inMemory.Put(content, read.Value, read.Value.Lanes.Sum(l => (long)l.Length) * sizeof(float));
        return read.Value;
    }

    /// <summary>Which of a template's sounds cannot be heard here.</summary>
    public Surroundings Around(Template template)
    {
        var absent = new Dictionary<string, SoundAbsence>(StringComparer.Ordinal);
        foreach (var content in UsedSounds.Of(template).Select(u => u.Sound.Content).Distinct())
        {
            if (!files.Exists(content))
                absent[content] = SoundAbsence.Missing;
            else if (_wrong.ContainsKey(content))
                absent[content] = SoundAbsence.Damaged;
        }

        return absent.Count == 0 ? Surroundings.Whole : new(absent);
    }

    public void NoteWrong(string content)
    {
        _wrong[content] = 0;
        _inMemory.Remove(content);
    }

    /// <summary>Forgets samples in memory until no more than this is left; they are read again when they are wanted.</summary>
    public void Trim(long bytes) => _inMemory.Trim(bytes);

    /// <summary>What must not happen while a sound is being kept, such as its removal.</summary>
    internal async Task<T> AloneAsync<T>(Func<Task<T>> work, CancellationToken cancellation)
    {
        await _gate.WaitAsync(cancellation);
        try
        {
            return await work();
        }
        finally
        {
            _gate.Release();
        }
    }

    /// <summary>Forgets a sound whose file is gone.</summary>
    internal void Forget(string content)
    {
        _inMemory.Remove(content);
        _wrong.TryRemove(content, out _);
    }

    internal static MediaRef RefOf(MediaRow row) => new(row.Content, row.Title, row.SampleRateHz, row.Lanes, row.Frames);

    private Task<FormatResult<MediaRef>> KeepAsync(MediaRow row, Func<Task> write, CancellationToken cancellation) => AloneAsync<FormatResult<MediaRef>>(
        async () =>
        {
            await using var db = await databases.CreateDbContextAsync(cancellation);
            var known = await db.Media.FindAsync([row.Content], cancellation);
            if (known is null && await db.Media.SumAsync(m => m.Bytes, cancellation) + row.Bytes > MostBytes)
                return new FormatResult<MediaRef>.Refused(
                    "shelf-full", $"Uploaded sound may take {MostBytes / 1024 / 1024 / 1024} GB together, what was removed included, and this would be more.");
            if (_wrong.ContainsKey(row.Content) || !files.SeemsWhole(row.Content, row.Bytes))
                await write();
            Forget(row.Content);
            if (known is null)
                db.Add(row);
            else
                known.RemovedUtc = null;
            await gate.OneAtATimeAsync(() => db.SaveChangesAsync(cancellation), cancellation);
            return new FormatResult<MediaRef>.Read(RefOf(known ?? row));
        },
        cancellation);

    private MediaRow RowOf(string content, string title, WaveFacts facts, long bytes) => new()
    {
        Content = content,
        Title = title,
        SampleRateHz = facts.SampleRateHz,
        Lanes = facts.Lanes,
        Frames = facts.Frames,
        Bytes = bytes,
        AddedUtc = clock.GetUtcNow().UtcDateTime,
    };

    private Task<FormatResult<MediaRef>> KeepWaveAsync(ReadOnlyMemory<byte> wave, WaveFacts facts, string title, CancellationToken cancellation)
    {
        var content = MediaFiles.ContentOf(wave.Span);
        return KeepAsync(RowOf(content, title, facts, wave.Length), () => files.WriteAsync(content, wave, cancellation), cancellation);
    }

    private static Task<FormatResult<MediaRef>> Refusing(FormatResult<WaveFacts>.Refused wrong) => Refused(wrong.Code, wrong.Sentence);

    private static Task<FormatResult<MediaRef>> Refusing(FormatResult<ReadOnlyMemory<byte>>.Refused wrong) => Refused(wrong.Code, wrong.Sentence);

    private static Task<FormatResult<MediaRef>> Refused(string code, string sentence) => Task.FromResult<FormatResult<MediaRef>>(new FormatResult<MediaRef>.Refused(code, sentence));
}
