using System.Collections.Concurrent;
using System.Text.Json;
using HomeStage.Core.Templates;
using HomeStage.Core.Templates.Edits;
using HomeStage.Formats.Documents;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>Keeps documents: open ones in memory, every change in the log before it is answered.</summary>
public sealed class DocumentStore(IDbContextFactory<StageDb> databases, TimeProvider clock)
{
    /// <summary>A snapshot stands at every so many revisions.</summary>
    public const int SnapshotEvery = 100;

    private readonly ConcurrentDictionary<string, Slot> _open = new(StringComparer.Ordinal);

    /// <summary>Makes a document from a whole template.</summary>
    /// <param name="template">Held against the rules before.</param>
    public async Task<OpenDocument> CreateAsync(
        DocumentKind kind, Template template, (string Id, int Revision)? startedFrom = null, CancellationToken cancellation = default)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        var row = new DocumentRow
        {
            Id = Guid.CreateVersion7(clock.GetUtcNow()).ToString("N"),
            Kind = kind,
            Name = template.Name,
            Revision = 0,
            CreatedUtc = now,
            ChangedUtc = now,
            StartedFromId = startedFrom?.Id,
            StartedFromRevision = startedFrom?.Revision,
        };
        await using var db = await databases.CreateDbContextAsync(cancellation);
        db.Add(row);
        db.Add(new SnapshotRow { DocumentId = row.Id, Number = 0, Content = Snapshot.Pack(template) });
        await db.SaveChangesAsync(cancellation);
        return new(row.Id, kind, 0, template, [], []);
    }

    /// <returns>The document, or null where there is none of that kind.</returns>
    public async Task<OpenDocument?> OpenAsync(string id, DocumentKind kind, CancellationToken cancellation = default)
    {
        var slot = _open.GetOrAdd(id, _ => new());
        if (slot.Document is null)
        {
            await slot.Gate.WaitAsync(cancellation);
            try
            {
                slot.Document ??= await LoadAsync(id, cancellation);
            }
            finally
            {
                slot.Gate.Release();
            }
        }

        if (slot.Document is null)
            _open.TryRemove(id, out _);
        return slot.Document?.Kind == kind ? slot.Document : null;
    }

    /// <summary>Applies a batch and stores it, whole or not at all.</summary>
    /// <param name="revision">The revision that the batch was made on.</param>
    public Task<StoreAnswer> EditAsync(
        string id, DocumentKind kind, int revision, IReadOnlyList<Edit> edits, RevisionKind as_ = RevisionKind.Edit, CancellationToken cancellation = default) =>
        ChangeAsync(id, kind, revision, _ => Task.FromResult<Change?>(new(as_, null, edits)), "There is nothing to change.", cancellation);

    public Task<StoreAnswer> UndoAsync(string id, DocumentKind kind, int revision, CancellationToken cancellation = default) =>
        ChangeAsync(id, kind, revision, async document => document.CanUndo
            ? new(RevisionKind.Undo, document.Undoable.Peek(), await BatchAsync(id, document.Undoable.Peek(), r => r.Inverse, cancellation))
            : null, "There is nothing to undo.", cancellation);

    public Task<StoreAnswer> RedoAsync(string id, DocumentKind kind, int revision, CancellationToken cancellation = default) =>
        ChangeAsync(id, kind, revision, async document => document.CanRedo
            ? new(RevisionKind.Redo, document.Redoable.Peek(), await BatchAsync(id, document.Redoable.Peek(), r => r.Edits, cancellation))
            : null, "There is nothing to redo.", cancellation);

    private async Task<StoreAnswer> ChangeAsync(
        string id, DocumentKind kind, int revision, Func<OpenDocument, Task<Change?>> wanted, string nothing, CancellationToken cancellation)
    {
        if (await OpenAsync(id, kind, cancellation) is null)
            return new StoreAnswer.NotFound();
        var slot = _open[id];
        await slot.Gate.WaitAsync(cancellation);
        try
        {
            var before = slot.Document!;
            if (before.Revision != revision)
                return new StoreAnswer.Stale(before.Revision);
            if (await wanted(before) is not { } change)
                return new StoreAnswer.NothingToDo(nothing);
            switch (Batch.Apply(before.Template, change.Edits))
            {
                case BatchResult.Refused refused:
                    return new StoreAnswer.Refused(refused.Why, refused.EditIndex);
                case BatchResult.Applied applied:
                    var after = before.Then(change.Kind, change.Target, applied.Template);
                    // From here on the change is stored whole whether or not the caller still waits.
                    await AppendAsync(after, change, applied.Inverse);
                    slot.Document = after;
                    return new StoreAnswer.Stored(before, after);
                default:
                    throw new InvalidOperationException("A batch is applied or refused.");
            }
        }
        finally
        {
            slot.Gate.Release();
        }
    }

    private async Task AppendAsync(OpenDocument after, Change change, Sequence<Edit> inverse)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        await using var db = await databases.CreateDbContextAsync();
        db.Add(new RevisionRow
        {
            DocumentId = after.Id,
            Number = after.Revision,
            Kind = change.Kind,
            Target = change.Target,
            Edits = JsonSerializer.Serialize(change.Edits, DocumentJson.Options),
            Inverse = JsonSerializer.Serialize<IReadOnlyList<Edit>>(inverse, DocumentJson.Options),
            AtUtc = now,
        });
        if (after.Revision % SnapshotEvery == 0)
            db.Add(new SnapshotRow { DocumentId = after.Id, Number = after.Revision, Content = Snapshot.Pack(after.Template) });
        await using var transaction = await db.Database.BeginTransactionAsync();
        await db.SaveChangesAsync();
        await db.Documents.Where(d => d.Id == after.Id).ExecuteUpdateAsync(set => set
            .SetProperty(d => d.Name, after.Template.Name)
            .SetProperty(d => d.Revision, after.Revision)
            .SetProperty(d => d.ChangedUtc, now));
        await transaction.CommitAsync();
    }

    private async Task<OpenDocument?> LoadAsync(string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        if (await db.Documents.FindAsync([id], cancellation) is not { } row)
            return null;
        var snapshot = await db.Snapshots.AsNoTracking().Where(s => s.DocumentId == id).OrderByDescending(s => s.Number).FirstAsync(cancellation);
        var template = Snapshot.Unpack(snapshot.Content);
        var later = await db.Revisions.AsNoTracking().Where(r => r.DocumentId == id && r.Number > snapshot.Number)
            .OrderBy(r => r.Number).Select(r => r.Edits).ToListAsync(cancellation);
        foreach (var edits in later)
            template = Replayed(template, Edits(edits));
        var kinds = await db.Revisions.AsNoTracking().Where(r => r.DocumentId == id)
            .OrderBy(r => r.Number).Select(r => new { r.Kind, r.Target }).ToListAsync(cancellation);
        var start = new OpenDocument(id, row.Kind, 0, template, [], []);
        return kinds.Aggregate(start, (document, entry) => document.Then(entry.Kind, entry.Target, template));
    }

    private async Task<IReadOnlyList<Edit>> BatchAsync(
        string id, int number, System.Linq.Expressions.Expression<Func<RevisionRow, string>> which, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return Edits(await db.Revisions.Where(r => r.DocumentId == id && r.Number == number).Select(which).SingleAsync(cancellation));
    }

    private static Template Replayed(Template template, IReadOnlyList<Edit> edits) =>
        Batch.Apply(template, edits) is BatchResult.Applied applied
            ? applied.Template
            : throw new InvalidDataException("The edit log holds a batch that does not apply: the database was changed by other hands.");

    private static List<Edit> Edits(string json) => JsonSerializer.Deserialize<List<Edit>>(json, DocumentJson.Options)!;

    private sealed record Change(RevisionKind Kind, int? Target, IReadOnlyList<Edit> Edits);

    private sealed class Slot
    {
        public SemaphoreSlim Gate { get; } = new(1, 1);

        public OpenDocument? Document { get; set; }
    }
}
