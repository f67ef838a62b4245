using System.Text.Json;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Server.Data.Summaries;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>Puts documents and their changes on the disk: each whole, in one transaction.</summary>
internal sealed class DocumentWriter(IDbContextFactory<StageDb> databases, TimeProvider clock, WriteGate gate)
{
    private const int MostSaid = 12;

    /// <summary>Makes documents of whole templates, all of them or none.</summary>
    public async Task<IReadOnlyList<DocumentRow>> CreateAsync(IReadOnlyList<NewDocument> wanted, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var rows = wanted.Select(RowOf).ToList();
        db.AddRange(rows);
        foreach (var (row, document) in rows.Zip(wanted))
            db.Add(Snapshot.RowOf(row.Id, 0, document.Template));
        await gate.OneAtATimeAsync(async () =>
        {
            await using var transaction = await db.Database.BeginTransactionAsync(cancellation);
            await db.SaveChangesAsync(cancellation);
            foreach (var (row, document) in rows.Zip(wanted))
                await NoteSoundsAsync(db, row.Id, UsedSounds.New(null, document.Template));
            await transaction.CommitAsync(cancellation);
        }, cancellation);
        return rows;
    }

    /// <param name="withSnapshot">Whether the whole document is stored beside the entry.</param>
    public async Task AppendAsync(OpenDocument before, OpenDocument after, Change change, Sequence<Edit> inverse, bool withSnapshot)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        await using var db = await databases.CreateDbContextAsync();
        db.Add(EntryOf(before, after, change, inverse, now));
        if (withSnapshot)
            db.Add(Snapshot.RowOf(after.Id, after.Revision, after.Template));
        await gate.OneAtATimeAsync(async () =>
        {
            await using var transaction = await db.Database.BeginTransactionAsync();
            await db.SaveChangesAsync();
            await NoteSoundsAsync(db, after.Id, UsedSounds.New(before.Template, after.Template));
            await db.Documents.Where(d => d.Id == after.Id).ExecuteUpdateAsync(set => set
                .SetProperty(d => d.Name, after.Template.Name)
                .SetProperty(d => d.Revision, after.Revision)
                .SetProperty(d => d.ChangedUtc, now));
            await transaction.CommitAsync();
        });
    }

    private static RevisionRow EntryOf(OpenDocument before, OpenDocument after, Change change, Sequence<Edit> inverse, DateTime now)
    {
        var edits = JsonSerializer.Serialize(change.Edits, DocumentJson.Options);
        var back = JsonSerializer.Serialize<IReadOnlyList<Edit>>(inverse, DocumentJson.Options);
        return new()
        {
            DocumentId = after.Id,
            Number = after.Revision,
            Kind = change.Kind,
            Target = change.Target,
            Edits = edits,
            Words = JsonSerializer.Serialize(change.Target is null ? change.Words ?? Said(change.Edits, before.Template) : []),
            Inverse = back,
            AtUtc = now,
            Digest = Digest.Of(after.Id, after.Revision, change.Kind, change.Target, edits, back),
        };
    }

    /// <summary>A sound that was removed and is used again is there again.</summary>
    internal static async Task NoteSoundsAsync(StageDb db, string document, IReadOnlyCollection<string> contents)
    {
        foreach (var content in contents)
        {
            await db.Database.ExecuteSqlAsync($"INSERT OR IGNORE INTO MediaUses (DocumentId, Content) VALUES ({document}, {content})");
            await db.Media.Where(m => m.Content == content && m.RemovedUtc != null).ExecuteUpdateAsync(set => set.SetProperty(m => m.RemovedUtc, (DateTime?)null));
        }
    }

    private DocumentRow RowOf(NewDocument wanted)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        return new()
        {
            Id = Guid.CreateVersion7(clock.GetUtcNow()).ToString("N"),
            Kind = wanted.Kind,
            Name = wanted.Template.Name,
            Revision = 0,
            CreatedUtc = now,
            ChangedUtc = now,
            StartedFromId = wanted.StartedFrom?.Id,
            StartedFromRevision = wanted.StartedFrom?.Revision,
            OpensByDefault = wanted.OpensByDefault,
            SoundsNoted = true,
            Summary = DocumentSummary.Of(wanted.Template).ToJson(),
            SummaryRevision = 0,
        };
    }

    private static IReadOnlyList<string> Said(IReadOnlyList<Edit> edits, Template before)
    {
        var said = EditWords.OfBatch([.. edits.Take(MostSaid)], before);
        return edits.Count > MostSaid ? said.Add($"and {edits.Count - MostSaid} edits more") : said;
    }
}

/// <summary>A document that is to be made.</summary>
/// <param name="Template">Held against the rules before.</param>
/// <param name="StartedFrom">For a song: its template and that template's revision.</param>
public sealed record NewDocument(DocumentKind Kind, Template Template, (string Id, int Revision)? StartedFrom = null, bool OpensByDefault = false);

/// <summary>One entry of the log to be.</summary>
/// <param name="Words">What was done, where it is said otherwise than by its edits.</param>
internal sealed record Change(RevisionKind Kind, int? Target, IReadOnlyList<Edit> Edits, IReadOnlyList<string>? Words = null);
