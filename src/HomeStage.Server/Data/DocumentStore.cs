using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents.Changes;
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

    /// <summary>And where the log since the last one is longer than so many characters, about a quarter of a second to be followed.</summary>
    public const long LongestLog = 4_000_000;

    private readonly DocumentSlots _slots = new(clock, (memory ?? new()).Documents);
    private readonly RevisionLog _log = new(databases, clock, gate);
    private readonly DocumentWriter _writer = new(databases, clock, gate);

    /// <summary>Tells of every change.</summary>
    public DocumentFeed Feed { get; } = new();

    /// <summary>How many are open.</summary>
    public int Open => _slots.Count;

    /// <summary>Makes a document from a whole template; where another template bears its name it gets the next number.</summary>
    /// <param name="template">Held against the rules before.</param>
    public async Task<OpenDocument> CreateAsync(
        DocumentKind kind, Template template, (string Id, int Revision)? startedFrom = null, CancellationToken cancellation = default)
        => (await _writer.CreateAsync([new(kind, template, startedFrom)], cancellation))[0];

    /// <summary>Makes one; where another template bears its name it gets the next number.</summary>
    public async Task<OpenDocument> CreateAsync(NewDocument wanted, CancellationToken cancellation) => (await _writer.CreateAsync([wanted], cancellation))[0];

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
        ChangeAsync(id, revision, document => Task.FromResult<Wanted>(Batch.Apply(document.Template, edits) switch
        {
            BatchResult.Applied applied => new Change(as_, null, applied.Template, Change.Said(edits, document.Template)),
            BatchResult.Refused refused => new StoreAnswer.Refused(refused.Why, refused.EditIndex),
            _ => throw new InvalidOperationException("A batch is applied or refused."),
        }), cancellation);

    public Task<StoreAnswer> UndoAsync(string id, int revision, CancellationToken cancellation = default) =>
        ChangeAsync(id, revision, async document => document.CanUndo && await UndoneAsync(document, document.Undoable.Peek(), cancellation) is { } before
            ? new Change(RevisionKind.Undo, document.Undoable.Peek(), before, [])
            : new StoreAnswer.NothingToDo("There is nothing to undo."), cancellation);

    public Task<StoreAnswer> RedoAsync(string id, int revision, CancellationToken cancellation = default) =>
        ChangeAsync(id, revision, async document => document.CanRedo && await RedoneAsync(document, document.Redoable.Peek(), cancellation) is { } after
            ? new Change(RevisionKind.Redo, document.Redoable.Peek(), after, [])
            : new StoreAnswer.NothingToDo("There is nothing to redo."), cancellation);

    /// <summary>Makes the document as it was, by one more revision.</summary>
    /// <param name="to">The revision whose state is wanted.</param>
    public Task<StoreAnswer> ReturnAsync(string id, int revision, int to, CancellationToken cancellation = default) =>
        ChangeAsync(id, revision, async document => await _log.TemplateAtAsync(id, to, cancellation) is { } then && !document.Template.Equals(then)
            ? new Change(RevisionKind.Edit, null, then, [$"Back to revision {to}"])
            : new StoreAnswer.NothingToDo("There is nothing to go back to: it is like that already."), cancellation);

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

    private async Task<StoreAnswer> ChangeAsync(string id, int revision, Func<OpenDocument, Task<Wanted>> wanted, CancellationToken cancellation)
    {
        var slot = await _slots.EnterAsync(id, cancellation);
        try
        {
            if (await HeldAsync(id, slot, cancellation) is not { } before)
                return new StoreAnswer.NotFound();
            if (before.Revision != revision)
                return new StoreAnswer.Stale(before.Revision);
            var answer = await wanted(before);
            return answer.Change is { } change ? await AppliedAsync(slot, before, change, cancellation) : answer.Instead!;
        }
        finally
        {
            _slots.Leave(id, slot);
        }
    }

    private async Task<StoreAnswer> AppliedAsync(DocumentSlot slot, OpenDocument before, Change change, CancellationToken cancellation)
    {
        if (sounds is not null && await sounds.KeepAsync(UsedSounds.New(before.Template, change.After), cancellation) is { } noRoom)
            return new StoreAnswer.NothingToDo(noRoom);
        var after = before.Then(change.Kind, change.Target, change.After);
        var logged = change.From(before.Template);
        var length = slot.LogLength + logged.Done.Length;
        var withSnapshot = after.Revision % SnapshotEvery == 0 || length > LongestLog;
        if (!await StoredAsync(slot, after, logged, withSnapshot))
            return new StoreAnswer.NameTaken(after.Template.Name);
        slot.Put(after, withSnapshot ? 0 : length);
        Feed.Tell(after.Id, after.Revision);
        return new StoreAnswer.Stored(before, after);
    }

    /// <summary>Stores the change whole whether or not the caller still waits.</summary>
    /// <returns>False where it would take another template's name.</returns>
    private async Task<bool> StoredAsync(DocumentSlot slot, OpenDocument after, LoggedChange change, bool withSnapshot)
    {
        try
        {
            return await _writer.AppendAsync(after, change, withSnapshot);
        }
        catch
        {
            // It may have reached the disk all the same; the next one who asks reads what is there.
            _slots.Close(after.Id, slot);
            throw;
        }
    }

    /// <returns>The document before that revision, all after it being undone; null where the entry is damaged.</returns>
    private async Task<Template?> UndoneAsync(OpenDocument document, int number, CancellationToken cancellation) =>
        await EntryAsync(document.Id, number, cancellation) is not { } entry ? null
            : Replayed(document.Template, entry.Back) ?? await _log.TemplateAtAsync(document.Id, number - 1, cancellation);

    private async Task<Template?> RedoneAsync(OpenDocument document, int number, CancellationToken cancellation) =>
        await EntryAsync(document.Id, number, cancellation) is not { } entry ? null
            : Replayed(document.Template, entry.Done) ?? await _log.TemplateAtAsync(document.Id, number, cancellation);

    /// <returns>Null for an entry of an older version: what it did is read from the log then.</returns>
    private static Template? Replayed(Template template, string change)
    {
        if (!DocumentChange.IsOfToday(change))
            return null;
        var replay = new DocumentReplay(template);
        replay.Apply(change);
        return replay.Template();
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
            slot.Hold(kinds.Aggregate(start, (document, entry) => document.Then(entry.Kind, entry.Target, whole.Template)), whole.LogLength);
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

    /// <summary>A change, or what is answered instead.</summary>
    private readonly record struct Wanted(Change? Change, StoreAnswer? Instead)
    {
        public static implicit operator Wanted(Change change) => new(change, null);

        public static implicit operator Wanted(StoreAnswer instead) => new(null, instead);
    }
}
