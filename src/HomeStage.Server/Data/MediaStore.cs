using System.Collections.Concurrent;
using System.Security.Cryptography;
using HomeStage.Core.Media;
using HomeStage.Formats;
using HomeStage.Formats.Wave;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>Keeps uploaded sound: each content once, on disk, bounded as a whole.</summary>
/// <param name="folder">Where the files lie.</param>
public sealed class MediaStore(IDbContextFactory<StageDb> databases, TimeProvider clock, string folder) : IMediaShelf
{
    public const long MostBytes = 2L * 1024 * 1024 * 1024;
    private const int MostInMemory = 16;

    // One upload at a time, so that the same file sent twice at once is kept once.
    private readonly SemaphoreSlim _gate = new(1, 1);
    private readonly ConcurrentDictionary<string, MediaSound> _inMemory = new(StringComparer.Ordinal);

    /// <returns>What is kept, the latest first.</returns>
    public async Task<IReadOnlyList<MediaRef>> ListAsync(CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var rows = await db.Media.AsNoTracking().OrderByDescending(m => m.AddedUtc).ToListAsync(cancellation);
        return rows.ConvertAll(RefOf);
    }

    /// <summary>Keeps a WAVE file; one whose content is here already is not kept twice.</summary>
    public async Task<FormatResult<MediaRef>> AddAsync(byte[] wave, string title, CancellationToken cancellation)
    {
        var result = WaveReader.Read(wave);
        if (result is not FormatResult<MediaSound>.Read read)
            return Refusing(result);
        await _gate.WaitAsync(cancellation);
        try
        {
            return await KeepAsync(wave, read.Value, title, cancellation);
        }
        finally
        {
            _gate.Release();
        }
    }

    private async Task<FormatResult<MediaRef>> KeepAsync(byte[] wave, MediaSound sound, string title, CancellationToken cancellation)
    {
        var content = Convert.ToHexStringLower(SHA256.HashData(wave));
        await using var db = await databases.CreateDbContextAsync(cancellation);
        if (await db.Media.FindAsync([content], cancellation) is { } known)
            return new FormatResult<MediaRef>.Read(RefOf(known));
        if (await db.Media.SumAsync(m => m.Bytes, cancellation) + wave.Length > MostBytes)
            return new FormatResult<MediaRef>.Refused("shelf-full", $"Uploaded sound may take {MostBytes / 1024 / 1024} MB together, and this would be more.");
        // First under another name: a file with the name of its content is always whole.
        Directory.CreateDirectory(folder);
        var unfinished = Path.Combine(folder, $"{Guid.NewGuid():N}.part");
        await File.WriteAllBytesAsync(unfinished, wave, cancellation);
        File.Move(unfinished, FileOf(content), overwrite: true);
        var row = new MediaRow
        {
            Content = content,
            Title = title,
            SampleRateHz = sound.SampleRateHz,
            Lanes = sound.Lanes.Count,
            Frames = sound.Lanes[0].Length,
            Bytes = wave.Length,
            AddedUtc = clock.GetUtcNow().UtcDateTime,
        };
        db.Add(row);
        await db.SaveChangesAsync(cancellation);
        return new FormatResult<MediaRef>.Read(RefOf(row));
    }

    public MediaSound? Find(string content)
    {
        if (_inMemory.TryGetValue(content, out var known))
            return known;
        if (!File.Exists(FileOf(content)) || WaveReader.Read(File.ReadAllBytes(FileOf(content))) is not FormatResult<MediaSound>.Read read)
            return null;
        if (_inMemory.Count >= MostInMemory)
            _inMemory.Clear();
        return _inMemory[content] = read.Value;
    }

    private string FileOf(string content) => Path.Combine(folder, $"{content}.wav");

    private static MediaRef RefOf(MediaRow row) => new(row.Content, row.Title, row.SampleRateHz, row.Lanes, row.Frames);

    private static FormatResult<MediaRef> Refusing(FormatResult<MediaSound> result) =>
        result is FormatResult<MediaSound>.Refused refused
            ? new FormatResult<MediaRef>.Refused(refused.Code, refused.Sentence)
            : throw new InvalidOperationException("A file is read or refused.");
}
