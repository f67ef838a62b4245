using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Templates;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Memory;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>Keeps documents: open ones in memory, every change in the log before it is answered.</summary>
/// <param name="sounds">Keeps what a kit's file brought once an edit uses it; null where nothing is brought.</param>
public sealed class DocumentStore(
    IDbContextFactory<StageDb> databases, TimeProvider clock, WriteGate gate, DamageBook? damages = null, StagedSounds? sounds = null, MemoryBudget? memory = null)
{
    /// <summary>A snapshot stands at every so many revisions.</summary>
    public const int SnapshotEvery = 100;

    /// <summary>And where the log since the last one would cost more than so many edits times channels, about a quarter of a second.</summary>
    public const long MostWork = 2_000_000;

    private readonly DocumentSlots _slots = new(clock, (memory ?? new()).Documents);
    private readonly RevisionLog _log = new(databases, clock, gate);
    private readonly DocumentWriter _writer = new(databases, clock, gate);

    /// <summary>Tells of every change.</summary>
    public DocumentFeed Feed { get; } = new();

    /// <summary>How many are open.</summary>
    public int Open => _slots.Count;

    /// <summary>Makes a document from a whole template.</summary>
    /// <param name="template">Held against the rules before.</param>
    public async Task<OpenDocument> CreateAsync(
        DocumentKind kind, Template template, (string Id, int Revision)? startedFrom = null, CancellationToken cancellation = default)
    {
        var row = (await _writer.CreateAsync([new(kind, template, startedFrom)], cancellation))[0];
        return new(row.Id, kind, 0, template, [], []);
    }

    /// <summary>Makes several, all of them or none.</summary>
    public Task CreateAllAsync(IReadOnlyList<NewDocument> wanted, CancellationToken cancellation = default) => _writer.CreateAsync(wanted, cancellation);

    /// <returns>The document, or null where there is none.</returns>
    /// <exception cref="DamagedDocumentException">It cannot be read.</exception>
    public async Task<OpenDocument?> OpenAsync(string id, CancellationToken cancellation = default)
    {
        if (_slots.Open(id) is not { } document)
        {
            var slot = await _slots.EnterAsync(id, cancellation);
            try
            {
                document = await HeldAsync(id, slot, cancellation);
            }
            finally
            {
                _slots.Leave(id, slot);
            }
        }

        return document;
    }

    /// <summary>Applies a batch and stores it, whole or not at all.</summary>
    /// <param name="revision">The revision that the batch was made on.</param>
    public Task<StoreAnswer> EditAsync(
        string id, int revision, IReadOnlyList<Edit> edits, RevisionKind as_ = RevisionKind.Edit, CancellationToken cancellation = default) =>
        ChangeAsync(id, revision, _ => Task.FromResult<Change?>(new(as_, null, edits)), "There is nothing to change.", cancellation);

    public Task<StoreAnswer> UndoAsync(string id, int revision, CancellationToken cancellation = default) =>
        ChangeAsync(id, revision, async document => document.CanUndo && await EntryAsync(id, document.Undoable.Peek(), cancellation) is { } entry
            ? new(RevisionKind.Undo, entry.Number, RevisionLog.Edits(entry.Inverse))
            : null, "There is nothing to undo.", cancellation);

    public Task<StoreAnswer> RedoAsync(string id, int revision, CancellationToken cancellation = default) =>
        ChangeAsync(id, revision, async document => document.CanRedo && await EntryAsync(id, document.Redoable.Peek(), cancellation) is { } entry
            ? new(RevisionKind.Redo, entry.Number, RevisionLog.Edits(entry.Edits))
            : null, "There is nothing to redo.", cancellation);

    /// <summary>Makes the document as it was, by one more revision.</summary>
    /// <param name="to">The revision whose state is wanted.</param>
    public Task<StoreAnswer> ReturnAsync(string id, int revision, int to, CancellationToken cancellation = default) =>
        ChangeAsync(id, revision, async document =>
            await _log.TemplateAtAsync(id, to, cancellation) is { } then && Difference.Between(document.Template, then) is { Count: > 0 } edits
                ? new(RevisionKind.Edit, null, edits, [$"Back to revision {to}"])
                : null, "There is nothing to go back to: it is like that already.", cancellation);

    /// <returns>The document as it was a few revisions ago, or null where that is not in memory any more.</returns>
    public async Task<OpenDocument?> RecentAsync(string id, int revision, CancellationToken cancellation = default) =>
        await OpenAsync(id, cancellation) is { } newest
            ? newest.Revision == revision ? newest : _slots.Recent(id, revision)
            : null;

    /// <summary>Forgets an open document; what is stored stays.</summary>
    public async Task CloseAsync(string id, CancellationToken cancellation = default)
    {
        var slot = await _slots.EnterAsync(id, cancellation);
        _slots.Close(id, slot);
        _slots.Leave(id, slot);
    }

    /// <summary>Forgets open documents that were not used for that long.</summary>
    /// <returns>How many were closed.</returns>
    public int CloseUnused(TimeSpan since) => _slots.CloseUnused(since);

    private async Task<StoreAnswer> ChangeAsync(
        string id, int revision, Func<OpenDocument, Task<Change?>> wanted, string nothing, CancellationToken cancellation)
    {
        var slot = await _slots.EnterAsync(id, cancellation);
        try
        {
            if (await HeldAsync(id, slot, cancellation) is not { } before)
                return new StoreAnswer.NotFound();
            if (before.Revision != revision)
                return new StoreAnswer.Stale(before.Revision);
            return await wanted(before) is { } change
                ? await AppliedAsync(slot, before, change, cancellation)
                : new StoreAnswer.NothingToDo(nothing);
        }
        finally
        {
            _slots.Leave(id, slot);
        }
    }

    private async Task<StoreAnswer> AppliedAsync(DocumentSlot slot, OpenDocument before, Change change, CancellationToken cancellation)
    {
        switch (Batch.Apply(before.Template, change.Edits))
        {
            case BatchResult.Refused refused:
                return new StoreAnswer.Refused(refused.Why, refused.EditIndex);
            case BatchResult.Applied applied:
                if (sounds is not null && await sounds.KeepAsync(UsedSounds.New(before.Template, applied.Template), cancellation) is { } noRoom)
                    return new StoreAnswer.NothingToDo(noRoom);
                var after = before.Then(change.Kind, change.Target, applied.Template);
                var work = slot.Work + WholeRevisions.Work(change.Edits, applied.Template);
                var withSnapshot = after.Revision % SnapshotEvery == 0 || work > MostWork;
                await StoredAsync(slot, before, after, change, applied.Inverse, withSnapshot);
                slot.Put(after, withSnapshot ? 0 : work);
                Feed.Tell(after.Id, after.Revision);
                return new StoreAnswer.Stored(before, after);
            default:
                throw new InvalidOperationException("A batch is applied or refused.");
        }
    }

    /// <summary>Stores the change whole whether or not the caller still waits.</summary>
    private async Task StoredAsync(DocumentSlot slot, OpenDocument before, OpenDocument after, Change change, Sequence<Edit> inverse, bool withSnapshot)
    {
        try
        {
            await _writer.AppendAsync(before, after, change, inverse, withSnapshot);
        }
        catch
        {
            // It may have reached the disk all the same; the next one who asks reads what is there.
            _slots.Close(before.Id, slot);
            throw;
        }
    }

    /// <summary>The document of a slot whose gate is held, read where it is not open.</summary>
    private async Task<OpenDocument?> HeldAsync(string id, DocumentSlot slot, CancellationToken cancellation)
    {
        if (slot.Document is null)
            await LoadAsync(id, slot, cancellation);
        return slot.Document;
    }

    private async Task LoadAsync(string id, DocumentSlot slot, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        if (await db.Documents.AsNoTracking().SingleOrDefaultAsync(d => d.Id == id && d.RemovedUtc == null, cancellation) is not { } row)
            return;
        try
        {
            var whole = await RevisionLog.WholeAtAsync(db, id, row.Revision, cancellation);
            var kinds = await db.Revisions.AsNoTracking().Where(r => r.DocumentId == id)
                .OrderBy(r => r.Number).Select(r => new { r.Kind, r.Target }).ToListAsync(cancellation);
            var start = new OpenDocument(id, row.Kind, 0, whole.Template, [], []);
            slot.Hold(kinds.Aggregate(start, (document, entry) => document.Then(entry.Kind, entry.Target, whole.Template)), whole.Work);
            damages?.Clear(id);
        }
        catch (DamagedDocumentException damaged)
        {
            damages?.Note(damaged);
            throw;
        }
    }

    /// <returns>An entry of the log, or null where it is damaged.</returns>
    private async Task<RevisionRow?> EntryAsync(string id, int number, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var row = await db.Revisions.AsNoTracking().SingleAsync(r => r.DocumentId == id && r.Number == number, cancellation);
        return row.Digest is null || row.Digest.AsSpan().SequenceEqual(Digest.Of(row)) ? row : null;
    }
}
