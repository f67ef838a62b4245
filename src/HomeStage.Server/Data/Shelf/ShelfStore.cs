using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Server.Data.Sounds;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Shelf;

/// <summary>What is kept by name and can be used in every template.</summary>
public sealed class ShelfStore(IDbContextFactory<StageDb> databases, TimeProvider clock, StagedSounds staged, WriteGate gate)
{
    public const int MostItems = 5000;

    private int _version;

    /// <summary>Another number after every change to the shelf.</summary>
    public int Version => Volatile.Read(ref _version);

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <returns>By kind, then by name.</returns>
    public async Task<IReadOnlyList<(ShelfItem Item, DateTime ChangedUtc)>> ListAsync(CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var rows = await db.Shelf.AsNoTracking().Where(r => r.RemovedUtc == null).ToListAsync(cancellation);
        return [.. rows.Select(r => (Item: ItemOf(r), ChangedUtc: DateTime.SpecifyKind(r.ChangedUtc, DateTimeKind.Utc))).OrderBy(r => r.Item.Content.Kind).ThenBy(r => r.Item.Name, StringComparer.OrdinalIgnoreCase)];
    }

    public async Task<ShelfItem?> FindAsync(string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await db.Shelf.AsNoTracking().FirstOrDefaultAsync(r => r.Id == id && r.RemovedUtc == null, cancellation) is { } row ? ItemOf(row) : null;
    }

    /// <summary>Keeps something new; a name that is taken gets the next number.</summary>
    /// <param name="content">Held against the rules before.</param>
    public async Task<ShelfAnswer> AddAsync(string name, ShelfContent content, CancellationToken cancellation)
    {
        if (await staged.KeepAsync([.. content.Sounds.Select(s => s.Content)], cancellation) is { } noRoom)
            return new ShelfAnswer.Refused(new Refusal.WrongPlace(name, $"was not kept. {noRoom}"));
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await gate.OneAtATimeAsync<ShelfAnswer>(async () =>
        {
            var taken = await NamesAsync(db, content.Kind, null, cancellation);
            if (await db.Shelf.CountAsync(r => r.RemovedUtc == null, cancellation) >= MostItems)
                return new ShelfAnswer.Refused(new Refusal.TooMany("items on the shelf", MostItems));
            var row = new ShelfRow
            {
                Id = Guid.CreateVersion7(clock.GetUtcNow()).ToString("N"),
                Kind = content.Kind,
                Name = Numbering.Free(name, taken.Contains),
                Revision = 1,
                Content = ShelfDocument.WriteKept(content),
                ChangedUtc = Now,
            };
            db.Add(row);
            await NoteSoundsAsync(db, row.Id, content, cancellation);
            await db.SaveChangesAsync(cancellation);
            NoteChange();
            return new ShelfAnswer.Kept(ItemOf(row));
        }, cancellation);
    }

    /// <summary>Puts another content in an item's place; what was taken from it before stays as it is.</summary>
    /// <param name="content">Held against the rules before.</param>
    public async Task<ShelfAnswer> ReplaceAsync(string id, ShelfContent content, CancellationToken cancellation)
    {
        // Before the gate: keeping a sound goes through it as well.
        if (await staged.KeepAsync([.. content.Sounds.Select(s => s.Content)], cancellation) is { } noRoom)
            return new ShelfAnswer.Refused(new Refusal.WrongPlace("An item of the shelf", $"was not replaced. {noRoom}"));
        return await ChangeAsync(id, async (db, row) =>
        {
            if (row.Kind != content.Kind)
                return new Refusal.WrongPlace(row.Name, "is of another kind than what would take its place");
            var json = ShelfDocument.WriteKept(content);
            if (json == row.Content)
                return null;
            if (row.Kind == ShelfKind.SetPiece)
                db.Add(new ShelfPastRow { ItemId = id, Revision = row.Revision, Content = row.Content });
            (row.Content, row.Revision, row.ChangedUtc) = (json, row.Revision + 1, Now);
            await NoteSoundsAsync(db, id, content, cancellation);
            return null;
        }, cancellation);
    }

    public Task<ShelfAnswer> RenameAsync(string id, string name, CancellationToken cancellation) => ChangeAsync(id, async (db, row) =>
    {
        if (TextRules.Name("The name of an item", name) is { } wrong)
            return wrong;
        if ((await NamesAsync(db, row.Kind, id, cancellation)).Contains(name))
            return new Refusal.Doubled("the shelf's items of this kind", name);
        row.Name = name;
        return null;
    }, cancellation);

    /// <returns>False where there is none.</returns>
    public async Task<bool> RemoveAsync(string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var gone = await gate.OneAtATimeAsync(
            () => db.Shelf.Where(r => r.Id == id && r.RemovedUtc == null).ExecuteUpdateAsync(set => set.SetProperty(r => r.RemovedUtc, Now), cancellation), cancellation) > 0;
        NoteChange();
        return gone;
    }

    /// <returns>By revision the contents that an item had before, as far as they are kept: those of set pieces.</returns>
    public async Task<IReadOnlyDictionary<int, ShelfContent>> PastAsync(string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return (await db.ShelfPasts.AsNoTracking().Where(p => p.ItemId == id).ToListAsync(cancellation)).ToDictionary(p => p.Revision, p => ShelfDocument.ReadKept(p.Content));
    }

    internal void NoteChange() => Interlocked.Increment(ref _version);

    /// <returns>Ids of documents that hold a copy of it or did.</returns>
    public async Task<IReadOnlyList<string>> UsersAsync(string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await db.ShelfUses.AsNoTracking().Where(u => u.ItemId == id)
            .Join(db.Documents.Where(d => d.RemovedUtc == null), u => u.DocumentId, d => d.Id, (_, d) => new { d.Id, d.Name }).OrderBy(d => d.Name).Select(d => d.Id).ToListAsync(cancellation);
    }

    /// <summary>Notes which items a document holds copies of from now on.</summary>
    internal static async Task NoteUsesAsync(StageDb db, string document, Template? before, Template after)
    {
        if (before is not null && ReferenceEquals(before.Copies, after.Copies))
            return;
        foreach (var item in after.Copies.Select(c => c.Item).Distinct())
            await db.Database.ExecuteSqlAsync($"INSERT OR IGNORE INTO ShelfUses (DocumentId, ItemId) VALUES ({document}, {item})");
    }

    private async Task<ShelfAnswer> ChangeAsync(string id, Func<StageDb, ShelfRow, Task<Refusal?>> change, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await gate.OneAtATimeAsync<ShelfAnswer>(async () =>
        {
            if (await db.Shelf.FirstOrDefaultAsync(r => r.Id == id && r.RemovedUtc == null, cancellation) is not { } row)
                return new ShelfAnswer.NotThere();
            if (await change(db, row) is { } refused)
                return new ShelfAnswer.Refused(refused);
            await db.SaveChangesAsync(cancellation);
            NoteChange();
            return new ShelfAnswer.Kept(ItemOf(row));
        }, cancellation);
    }

    /// <returns>Names of the items of a kind that are there, but for one.</returns>
    internal static async Task<HashSet<string>> NamesAsync(StageDb db, ShelfKind kind, string? but, CancellationToken cancellation) =>
        (await db.Shelf.Where(r => r.Kind == kind && r.RemovedUtc == null && r.Id != but).Select(r => r.Name).ToListAsync(cancellation)).ToHashSet(StringComparer.OrdinalIgnoreCase);

    private static async Task NoteSoundsAsync(StageDb db, string id, ShelfContent content, CancellationToken cancellation)
    {
        var known = await db.ShelfSounds.Where(s => s.ItemId == id).Select(s => s.Content).ToListAsync(cancellation);
        db.AddRange(content.Sounds.Select(s => s.Content).Except(known, StringComparer.Ordinal).Select(c => new ShelfSoundRow { ItemId = id, Content = c }));
    }

    private static ShelfItem ItemOf(ShelfRow row) => new(row.Id, row.Name, row.Revision, ShelfDocument.ReadKept(row.Content));
}

/// <summary>What came of a change to the shelf.</summary>
public abstract record ShelfAnswer
{
    public sealed record Kept(ShelfItem Item) : ShelfAnswer;

    public sealed record Refused(Refusal Why) : ShelfAnswer;

    public sealed record NotThere : ShelfAnswer;
}
