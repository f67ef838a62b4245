using HomeStage.Server.Data.Sounds;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Keeping;

/// <summary>Looks whether all that is stored is as it was written: pages, documents, sounds. Changes nothing; what it finds is noted
/// where lists and findings look for it.</summary>
public sealed class Integrity(IDbContextFactory<StageDb> databases, TimeProvider clock, DamageBook damages, MediaStore media, MediaFiles files)
{
    /// <summary>What the last look found; null before the first.</summary>
    public IntegrityReport? Last { get; private set; }

    public async Task<IntegrityReport> CheckAsync(CancellationToken cancellation)
    {
        var pages = await PagesAsync(cancellation);
        var documents = await DocumentsAsync(cancellation);
        var sounds = await SoundsAsync(cancellation);
        return Last = new(pages, documents, sounds, clock.GetUtcNow().UtcDateTime);
    }

    /// <returns>What SQLite's own check says; null for nothing wrong.</returns>
    private async Task<string?> PagesAsync(CancellationToken cancellation)
    {
        try
        {
            await using var db = await databases.CreateDbContextAsync(cancellation);
            await db.Database.OpenConnectionAsync(cancellation);
            await using var command = db.Database.GetDbConnection().CreateCommand();
            command.CommandText = "PRAGMA integrity_check(1)";
            return await Task.Run(() => (string?)command.ExecuteScalar(), cancellation) is var said && said == "ok" ? null : said;
        }
        catch (SqliteException e)
        {
            return e.Message;
        }
    }

    /// <returns>How many documents are damaged.</returns>
    private async Task<int> DocumentsAsync(CancellationToken cancellation)
    {
        try
        {
            await using var db = await databases.CreateDbContextAsync(cancellation);
            var damaged = 0;
            foreach (var row in await db.Documents.AsNoTracking().Select(d => new { d.Id, d.Revision }).ToListAsync(cancellation))
            {
                if (await DamageAsync(row.Id, row.Revision, cancellation) is { } damage)
                {
                    damages.Note(row.Id, damage);
                    damaged++;
                }
                else
                {
                    damages.Clear(row.Id);
                }
            }

            return damaged;
        }
        catch (SqliteException)
        {
            // Not even the list can be read: the pages say so.
            return 0;
        }
    }

    /// <summary>Every entry by its digest; what has none is read.</summary>
    private async Task<Damage?> DamageAsync(string id, int revision, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        if (await IsAsWrittenAsync(db, id, cancellation))
            return null;
        var last = await WholeRevisions.LastAsync(db, id, revision, cancellation);
        return last?.Number >= revision ? null : new(last?.Number, new DamagedDocumentException(id, revision, last?.Number).Sentence);
    }

    private static async Task<bool> IsAsWrittenAsync(StageDb db, string id, CancellationToken cancellation)
    {
        try
        {
            await foreach (var snapshot in db.Snapshots.AsNoTracking().Where(s => s.DocumentId == id).AsAsyncEnumerable().WithCancellation(cancellation))
                if (snapshot.Digest is null || !snapshot.Digest.AsSpan().SequenceEqual(Digest.Of(id, snapshot.Number, snapshot.Content)))
                    return false;
            await foreach (var entry in db.Revisions.AsNoTracking().Where(r => r.DocumentId == id).AsAsyncEnumerable().WithCancellation(cancellation))
                if (entry.Digest is null || !entry.Digest.AsSpan().SequenceEqual(Digest.Of(entry)))
                    return false;
            return true;
        }
        catch (Exception e) when (e is SqliteException or InvalidOperationException or InvalidCastException or FormatException)
        {
            return false;
        }
    }

    /// <returns>How many sounds are missing or damaged.</returns>
    private async Task<int> SoundsAsync(CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var wrong = 0;
        foreach (var content in await ContentsAsync(db, cancellation))
        {
            if (await files.IsWholeAsync(content, cancellation))
                continue;
            wrong++;
            media.NoteWrong(content);
        }

        return wrong;
    }

    private static async Task<List<string>> ContentsAsync(StageDb db, CancellationToken cancellation)
    {
        try
        {
            return await db.Media.AsNoTracking().Select(m => m.Content).ToListAsync(cancellation);
        }
        catch (SqliteException)
        {
            return [];
        }
    }
}

/// <summary>How what is stored was found.</summary>
/// <param name="Pages">What is wrong with the database as a file; null for nothing.</param>
/// <param name="DamagedDocuments">How many cannot be read whole.</param>
/// <param name="WrongSounds">How many are missing or are not what was uploaded.</param>
public sealed record IntegrityReport(string? Pages, int DamagedDocuments, int WrongSounds, DateTime AtUtc)
{
    public bool IsWhole => Pages is null && DamagedDocuments == 0 && WrongSounds == 0;
}
