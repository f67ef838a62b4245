using System.Text.Json;
using HomeStage.Core.Templates;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>Reads the edit log: what was done when, and what a document was like at any revision.</summary>
public sealed class RevisionLog(IDbContextFactory<StageDb> databases, TimeProvider clock, WriteGate gate)
{
    public const int MostListed = 200;

    /// <param name="before">Only revisions below this one; null for the newest.</param>
    /// <returns>Newest first.</returns>
    public async Task<IReadOnlyList<LogEntry>> ListAsync(string id, int? before, int count, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var rows = await db.Revisions.AsNoTracking().Where(r => r.DocumentId == id && (before == null || r.Number < before))
            .OrderByDescending(r => r.Number).Take(Math.Clamp(count, 1, MostListed))
            .Select(r => new { r.Number, r.Kind, r.Target, r.Words, r.AtUtc }).ToListAsync(cancellation);
        var targets = rows.Select(r => r.Target).OfType<int>().ToList();
        var targetWords = await db.Revisions.AsNoTracking().Where(r => r.DocumentId == id && targets.Contains(r.Number))
            .ToDictionaryAsync(r => r.Number, r => r.Words, cancellation);
        var names = await db.RevisionNames.AsNoTracking().Where(n => n.DocumentId == id && n.RemovedUtc == null).ToDictionaryAsync(n => n.Number, n => n.Name, cancellation);
        var entries = rows.ConvertAll(r => new LogEntry(
            r.Number, r.Kind, Words(r.Target is { } target ? targetWords.GetValueOrDefault(target, "") : r.Words), names.GetValueOrDefault(r.Number), Utc(r.AtUtc)));
        if (rows.Count == 0 || rows[^1].Number == 1)
            entries.Add(await OriginAsync(db, id, names.GetValueOrDefault(0), cancellation));
        return entries;
    }

    /// <summary>Gives a revision a name; null takes it away, to come back for a while.</summary>
    /// <returns>False where there is no such revision.</returns>
    public async Task<bool> NameAsync(string id, int number, string? name, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        if (!await db.Documents.AnyAsync(d => d.Id == id && d.Revision >= number && number >= 0, cancellation))
            return false;
        var known = await db.RevisionNames.SingleOrDefaultAsync(n => n.DocumentId == id && n.Number == number, cancellation);
        if (known is null && name is not null)
            db.Add(new RevisionNameRow { DocumentId = id, Number = number, Name = name });
        else if (known is not null)
            (known.Name, known.RemovedUtc) = (name ?? known.Name, name is null ? known.RemovedUtc ?? clock.GetUtcNow().UtcDateTime : null);
        await gate.OneAtATimeAsync(() => db.SaveChangesAsync(cancellation), cancellation);
        return true;
    }

    /// <returns>The template as it was, or null where there is no such revision.</returns>
    /// <exception cref="DamagedDocumentException">That revision cannot be read.</exception>
    public async Task<Template?> TemplateAtAsync(string id, int number, CancellationToken cancellation = default)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await db.Documents.AnyAsync(d => d.Id == id && d.Revision >= number && number >= 0, cancellation)
            ? (await WholeAtAsync(db, id, number, cancellation)).Template
            : null;
    }

    /// <param name="number">A revision that the document has.</param>
    /// <exception cref="DamagedDocumentException">That revision cannot be read.</exception>
    internal static async Task<WholeRevision> WholeAtAsync(StageDb db, string id, int number, CancellationToken cancellation) =>
        await WholeRevisions.LastAsync(db, id, number, cancellation) is var last && last?.Number == number
            ? last
            : throw new DamagedDocumentException(id, number, last?.Number);

    private static async Task<LogEntry> OriginAsync(StageDb db, string id, string? name, CancellationToken cancellation)
    {
        var made = await db.Documents.Where(d => d.Id == id).Select(d => d.CreatedUtc).SingleAsync(cancellation);
        return new(0, RevisionKind.Origin, ["The beginning"], name, Utc(made));
    }

    private static IReadOnlyList<string> Words(string json)
    {
        try
        {
            return json.Length == 0 ? [] : JsonSerializer.Deserialize<string[]>(json)!;
        }
        catch (JsonException)
        {
            // Words are for reading; what was done is in the edits, which are held against their digest.
            return ["(what was done here cannot be read any more)"];
        }
    }

    private static DateTime Utc(DateTime time) => DateTime.SpecifyKind(time, DateTimeKind.Utc);
}

/// <summary>One line of the history.</summary>
/// <param name="Words">What was done; for undo and redo, what was taken back or done again.</param>
/// <param name="Name">What a person called it; null for nothing.</param>
public sealed record LogEntry(int Number, RevisionKind Kind, IReadOnlyList<string> Words, string? Name, DateTime AtUtc);
