using System.Text.Json;
using HomeStage.Core.Templates;
using HomeStage.Server.Data.Shelf;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>Puts documents and their changes on the disk: each whole, in one transaction.</summary>
internal sealed class DocumentWriter(IDbContextFactory<StageDb> databases, TimeProvider clock, WriteGate gate)
{
    /// <summary>Makes documents of whole templates, all of them or none. A template whose name is taken gets the next number.</summary>
    /// <returns>What was made, in the order of what was wanted.</returns>
    public async Task<IReadOnlyList<OpenDocument>> CreateAsync(IReadOnlyList<NewDocument> wanted, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await gate.OneAtATimeAsync(async () =>
        {
            var named = await NamedAsync(db, wanted, cancellation);
            var rows = named.ConvertAll(RowOf);
            db.AddRange(rows);
            foreach (var (row, document) in rows.Zip(named))
                db.Add(Snapshot.RowOf(row.Id, 0, document.Template));
            await using var transaction = await db.Database.BeginTransactionAsync(cancellation);
            await db.SaveChangesAsync(cancellation);
            foreach (var (row, document) in rows.Zip(named))
            {
                await NoteSoundsAsync(db, row.Id, UsedSounds.New(null, document.Template));
                await ShelfStore.NoteUsesAsync(db, row.Id, null, document.Template);
            }

            await transaction.CommitAsync(cancellation);
            return rows.Zip(named).Select(made => new OpenDocument(made.First.Id, made.First.Kind, 0, made.Second.Template, [], [])).ToList();
        }, cancellation);
    }

    /// <summary>One more entry of a document's log.</summary>
    /// <param name="withSnapshot">Whether the whole document is stored beside the entry.</param>
    /// <returns>False where it would take the name of another template; nothing is written then.</returns>
    public async Task<bool> AppendAsync(OpenDocument after, LoggedChange change, bool withSnapshot)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        await using var db = await databases.CreateDbContextAsync();
        db.Add(EntryOf(after, change, now));
        if (withSnapshot)
            db.Add(Snapshot.RowOf(after.Id, after.Revision, after.Template));
        return await gate.OneAtATimeAsync(async () =>
        {
            if (after.Kind == DocumentKind.Template && after.Template.Name != change.Before.Name && await TemplateNames.IsTakenAsync(db, after.Template.Name, after.Id))
                return false;
            await using var transaction = await db.Database.BeginTransactionAsync();
            await db.SaveChangesAsync();
            await NoteSoundsAsync(db, after.Id, UsedSounds.New(change.Before, after.Template));
            await ShelfStore.NoteUsesAsync(db, after.Id, change.Before, after.Template);
            await db.Documents.Where(d => d.Id == after.Id).ExecuteUpdateAsync(set => set
                .SetProperty(d => d.Name, after.Template.Name)
                .SetProperty(d => d.Revision, after.Revision)
                .SetProperty(d => d.ChangedUtc, now));
            await transaction.CommitAsync();
            return true;
        });
    }

    private static async Task<List<NewDocument>> NamedAsync(StageDb db, IReadOnlyList<NewDocument> wanted, CancellationToken cancellation)
    {
        var named = new List<NewDocument>(wanted.Count);
        foreach (var document in wanted)
        {
            var name = document.Kind != DocumentKind.Template ? document.Template.Name
                : await TemplateNames.FreeAsync(db, document.Template.Name, also: named.Select(n => n.Template.Name), cancellation: cancellation);
            named.Add(name == document.Template.Name ? document : document with { Template = document.Template with { Name = name } });
        }

        return named;
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
            Id = wanted.Id ?? NewDocument.IdAt(clock.GetUtcNow()),
            Kind = wanted.Kind,
            Name = wanted.Template.Name,
            Revision = 0,
            CreatedUtc = now,
            ChangedUtc = now,
            StartedFromId = wanted.StartedFrom?.Id,
            StartedFromRevision = wanted.StartedFrom?.Revision,
            Brought = wanted.Brought?.ToJson(),
            OpensByDefault = wanted.OpensByDefault,
            SoundsNoted = true,
        };
    }
}

/// <summary>A document that is to be made.</summary>
/// <param name="Template">Held against the rules before.</param>
/// <param name="StartedFrom">For a song its template, for a template the song that it was struck from, and that one's revision.</param>
public sealed record NewDocument(DocumentKind Kind, Template Template, (string Id, int Revision)? StartedFrom = null, bool OpensByDefault = false)
{
    /// <summary>What it left behind in the project file that it came from; null for none.</summary>
    public Brought? Brought { get; init; }

    /// <summary>Where others that are made with it refer to it; null for any.</summary>
    public string? Id { get; init; }

    public static string IdAt(DateTimeOffset now) => Guid.CreateVersion7(now).ToString("N");
}
