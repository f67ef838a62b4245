using System.Text.Json;
using HomeStage.Core.Templates;
using HomeStage.Core.Templates.Edits;
using HomeStage.Formats.Documents;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>Reads the edit log: what was done when, and what a document was like at any revision.</summary>
public sealed class RevisionLog(IDbContextFactory<StageDb> databases)
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
        var names = await db.RevisionNames.AsNoTracking().Where(n => n.DocumentId == id).ToDictionaryAsync(n => n.Number, n => n.Name, cancellation);
        var entries = rows.ConvertAll(r => new LogEntry(
            r.Number, r.Kind, Words(r.Target is { } target ? targetWords[target] : r.Words), names.GetValueOrDefault(r.Number), Utc(r.AtUtc)));
        if (rows.Count == 0 || rows[^1].Number == 1)
            entries.Add(await OriginAsync(db, id, names.GetValueOrDefault(0), cancellation));
        return entries;
    }

    /// <summary>Gives a revision a name; null takes it away.</summary>
    /// <returns>False where there is no such revision.</returns>
    public async Task<bool> NameAsync(string id, int number, string? name, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        if (!await db.Documents.AnyAsync(d => d.Id == id && d.Revision >= number && number >= 0, cancellation))
            return false;
        var known = await db.RevisionNames.SingleOrDefaultAsync(n => n.DocumentId == id && n.Number == number, cancellation);
        if (name is null && known is not null)
            db.Remove(known);
        else if (name is not null && known is null)
            db.Add(new RevisionNameRow { DocumentId = id, Number = number, Name = name });
        else if (known is not null)
            known.Name = name!;
        await db.SaveChangesAsync(cancellation);
        return true;
    }

    /// <returns>The template as it was, or null where there is no such revision.</returns>
    public async Task<Template?> TemplateAtAsync(string id, int number, CancellationToken cancellation = default)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        if (!await db.Documents.AnyAsync(d => d.Id == id && d.Revision >= number && number >= 0, cancellation))
            return null;
        var snapshot = await db.Snapshots.AsNoTracking().Where(s => s.DocumentId == id && s.Number <= number)
            .OrderByDescending(s => s.Number).FirstAsync(cancellation);
        var later = await db.Revisions.AsNoTracking().Where(r => r.DocumentId == id && r.Number > snapshot.Number && r.Number <= number)
            .OrderBy(r => r.Number).Select(r => r.Edits).ToListAsync(cancellation);
        return later.Aggregate(Snapshot.Unpack(snapshot.Content), (template, edits) => Replayed(template, Edits(edits)));
    }

    internal static List<Edit> Edits(string json) => JsonSerializer.Deserialize<List<Edit>>(OldKits.Renewed(json), DocumentJson.Options)!;

    private static Template Replayed(Template template, IReadOnlyList<Edit> edits) =>
        Batch.Apply(template, edits) is BatchResult.Applied applied
            ? applied.Template
            : throw new InvalidDataException("The edit log holds a batch that does not apply: the database was changed by other hands.");

    private static async Task<LogEntry> OriginAsync(StageDb db, string id, string? name, CancellationToken cancellation)
    {
        var made = await db.Documents.Where(d => d.Id == id).Select(d => d.CreatedUtc).SingleAsync(cancellation);
        return new(0, RevisionKind.Origin, ["The beginning"], name, Utc(made));
    }

    private static IReadOnlyList<string> Words(string json) => json.Length == 0 ? [] : JsonSerializer.Deserialize<string[]>(json)!;

    private static DateTime Utc(DateTime time) => DateTime.SpecifyKind(time, DateTimeKind.Utc);
}

/// <summary>One line of the history.</summary>
/// <param name="Words">What was done; for undo and redo, what was taken back or done again.</param>
/// <param name="Name">What a person called it; null for nothing.</param>
public sealed record LogEntry(int Number, RevisionKind Kind, IReadOnlyList<string> Words, string? Name, DateTime AtUtc);
