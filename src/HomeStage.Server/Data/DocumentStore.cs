using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Text.Json;
using HomeStage.Core.Templates;
using HomeStage.Core.Templates.Comparing;
using HomeStage.Core.Templates.Edits;
using HomeStage.Core.Templates.Words;
using HomeStage.Formats.Documents;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>Keeps documents: open ones in memory, every change in the log before it is answered.</summary>
public sealed class DocumentStore(IDbContextFactory<StageDb> databases, TimeProvider clock)
{
    /// <summary>A snapshot stands at every so many revisions.</summary>
    public const int SnapshotEvery = 100;

    private const int MostRemembered = 32;
    private const int MostSaid = 12;

    private readonly ConcurrentDictionary<string, Slot> _open = new(StringComparer.Ordinal);
    private readonly RevisionLog _log = new(databases);

    /// <summary>Tells of every change.</summary>
    public DocumentFeed Feed { get; } = new();

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

    /// <summary>Makes the document as it was, by one more revision.</summary>
    /// <param name="to">The revision whose state is wanted.</param>
    public Task<StoreAnswer> ReturnAsync(string id, DocumentKind kind, int revision, int to, CancellationToken cancellation = default) =>
        ChangeAsync(id, kind, revision, async document =>
            await _log.TemplateAtAsync(id, to, cancellation) is { } then && Difference.Between(document.Template, then) is { Count: > 0 } edits
                ? new(RevisionKind.Edit, null, edits, [$"Back to revision {to}"])
                : null, "There is nothing to go back to: it is like that already.", cancellation);

    /// <returns>The document as it was a few revisions ago, or null where that is not in memory any more.</returns>
    public async Task<OpenDocument?> RecentAsync(string id, DocumentKind kind, int revision, CancellationToken cancellation = default) =>
        await OpenAsync(id, kind, cancellation) is { } newest
            ? newest.Revision == revision ? newest : _open[id].Recent.FirstOrDefault(d => d.Revision == revision)
            : null;

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
                    await AppendAsync(before, after, change, applied.Inverse);
                    slot.Put(after);
                    Feed.Tell(id, after.Revision);
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

    private async Task AppendAsync(OpenDocument before, OpenDocument after, Change change, Sequence<Edit> inverse)
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
            Words = JsonSerializer.Serialize(change.Target is null ? change.Words ?? Said(change.Edits, before.Template) : []),
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
        var template = (await _log.TemplateAtAsync(id, row.Revision, cancellation))!;
        var kinds = await db.Revisions.AsNoTracking().Where(r => r.DocumentId == id)
            .OrderBy(r => r.Number).Select(r => new { r.Kind, r.Target }).ToListAsync(cancellation);
        var start = new OpenDocument(id, row.Kind, 0, template, [], []);
        return kinds.Aggregate(start, (document, entry) => document.Then(entry.Kind, entry.Target, template));
    }

    private async Task<IReadOnlyList<Edit>> BatchAsync(
        string id, int number, System.Linq.Expressions.Expression<Func<RevisionRow, string>> which, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return RevisionLog.Edits(await db.Revisions.Where(r => r.DocumentId == id && r.Number == number).Select(which).SingleAsync(cancellation));
    }

    private static IReadOnlyList<string> Said(IReadOnlyList<Edit> edits, Template before)
    {
        var said = EditWords.OfBatch([.. edits.Take(MostSaid)], before);
        return edits.Count > MostSaid ? said.Add($"and {edits.Count - MostSaid} edits more") : said;
    }

    private sealed record Change(RevisionKind Kind, int? Target, IReadOnlyList<Edit> Edits, IReadOnlyList<string>? Words = null);

    private sealed class Slot
    {
        public SemaphoreSlim Gate { get; } = new(1, 1);

        public OpenDocument? Document { get; set; }

        /// <summary>The last few, the newest last, for whoever is a little behind.</summary>
        public ImmutableQueue<OpenDocument> Recent { get; private set; } = [];

        public void Put(OpenDocument newer)
        {
            var recent = Recent.Enqueue(Document!);
            Recent = recent.Count() > MostRemembered ? recent.Dequeue() : recent;
            Document = newer;
        }
    }
}
