using System.Text.Json;
using HomeStage.Core.Templates;
using HomeStage.Server.Data.Summaries;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>Puts documents and their changes on the disk: each whole, in one transaction.</summary>
internal sealed class DocumentWriter(IDbContextFactory<StageDb> databases, TimeProvider clock, WriteGate gate)
{
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

    /// <summary>One more entry of a document's log.</summary>
    /// <param name="withSnapshot">Whether the whole document is stored beside the entry.</param>
    public async Task AppendAsync(OpenDocument after, LoggedChange change, bool withSnapshot)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        await using var db = await databases.CreateDbContextAsync();
        db.Add(EntryOf(after, change, now));
        if (withSnapshot)
            db.Add(Snapshot.RowOf(after.Id, after.Revision, after.Template));
        await gate.OneAtATimeAsync(async () =>
        {
            await using var transaction = await db.Database.BeginTransactionAsync();
            await db.SaveChangesAsync();
            await NoteSoundsAsync(db, after.Id, UsedSounds.New(change.Before, after.Template));
            await db.Documents.Where(d => d.Id == after.Id).ExecuteUpdateAsync(set => set
                .SetProperty(d => d.Name, after.Template.Name)
                .SetProperty(d => d.Revision, after.Revision)
                .SetProperty(d => d.ChangedUtc, now));
            await transaction.CommitAsync();
        });
    }

    private static RevisionRow EntryOf(OpenDocument after, LoggedChange change, DateTime now) => new()
    {
        DocumentId = after.Id,
        Number = after.Revision,
        Kind = change.Kind,
        Target = change.Target,
        Done = change.Done,
        Words = JsonSerializer.Serialize(change.Words),
        Back = change.Back,
        AtUtc = now,
        Digest = Digest.Of(after.Id, after.Revision, change.Kind, change.Target, change.Done, change.Back),
    };

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
}

/// <summary>A document that is to be made.</summary>
/// <param name="Template">Held against the rules before.</param>
/// <param name="StartedFrom">For a song: its template and that template's revision.</param>
public sealed record NewDocument(DocumentKind Kind, Template Template, (string Id, int Revision)? StartedFrom = null, bool OpensByDefault = false);
