using HomeStage.Core.Editing;
using HomeStage.Server.Data.Shelf;
using HomeStage.Server.Data.Sounds;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Keeping;

/// <summary>Takes things away, keeps them for a while, brings them back.</summary>
public sealed class Removals(IDbContextFactory<StageDb> databases, TimeProvider clock, DocumentStore store, MediaStore media, MediaFiles files, SoundUses uses, WriteGate gate)
{
    /// <summary>How long what was removed can come back.</summary>
    public static readonly TimeSpan WayBack = TimeSpan.FromDays(30);

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <returns>False where there is none.</returns>
    public async Task<bool> RemoveAsync(string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var removed = await gate.OneAtATimeAsync(
            () => db.Documents.Where(d => d.Id == id && d.RemovedUtc == null)
                .ExecuteUpdateAsync(set => set.SetProperty(d => d.RemovedUtc, Now), cancellation),
            cancellation);
        await store.CloseAsync(id, cancellation);
        return removed > 0;
    }

    /// <summary>Removes a sound that nobody uses.</summary>
    /// <returns>Names of documents that use it, in which case it stays; null where there is no such sound.</returns>
    public Task<IReadOnlyList<string>?> RemoveSoundAsync(string content, CancellationToken cancellation) => media.AloneAsync(async () =>
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        if (!await db.Media.AnyAsync(m => m.Content == content && m.RemovedUtc == null, cancellation))
            return null;
        var users = await uses.OfAsync(content, cancellation);
        if (users.Count == 0)
            await gate.OneAtATimeAsync(
                () => db.Media.Where(m => m.Content == content).ExecuteUpdateAsync(set => set.SetProperty(m => m.RemovedUtc, Now), cancellation), cancellation);
        return users;
    }, cancellation);

    /// <returns>What can come back, the latest first.</returns>
    public async Task<IReadOnlyList<RemovedThing>> ListAsync(CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var documents = await db.Documents.AsNoTracking().Where(d => d.RemovedUtc != null).ToListAsync(cancellation);
        var sounds = await db.Media.AsNoTracking().Where(m => m.RemovedUtc != null).ToListAsync(cancellation);
        var items = await db.Shelf.AsNoTracking().Where(i => i.RemovedUtc != null).ToListAsync(cancellation);
        var names = await db.RevisionNames.AsNoTracking().Where(n => n.RemovedUtc != null)
            .Join(db.Documents.Where(d => d.RemovedUtc == null), n => n.DocumentId, d => d.Id, (n, d) => new { Name = n, Document = d.Name }).ToListAsync(cancellation);
        return [.. documents.Select(d => Of(d.Kind == DocumentKind.Song ? RemovedKind.Song : RemovedKind.Template, d.Id, d.Name, d.RemovedUtc))
            .Concat(sounds.Select(m => Of(RemovedKind.Sound, m.Content, m.Title, m.RemovedUtc)))
            .Concat(items.Select(i => Of(RemovedKind.ShelfItem, i.Id, i.Name, i.RemovedUtc)))
            .Concat(names.Select(n => Of(RemovedKind.RevisionName, $"{n.Name.DocumentId}/{n.Name.Number}", $"{n.Name.Name}, revision {n.Name.Number} of {n.Document}", n.Name.RemovedUtc)))
            .OrderByDescending(t => t.RemovedUtc)];
    }

    /// <returns>False where it is not among what was removed.</returns>
    public async Task<bool> BringBackAsync(RemovedKind kind, string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var (document, number) = id.Split('/') is [var d, var n] && int.TryParse(n, out var parsed) ? (d, parsed) : (id, -1);
        var isBack = await gate.OneAtATimeAsync(() => kind switch
        {
            RemovedKind.Sound => db.Media.Where(m => m.Content == id && m.RemovedUtc != null).ExecuteUpdateAsync(set => set.SetProperty(m => m.RemovedUtc, (DateTime?)null), cancellation),
            RemovedKind.ShelfItem => db.Shelf.Where(i => i.Id == id && i.RemovedUtc != null).ExecuteUpdateAsync(set => set.SetProperty(i => i.RemovedUtc, (DateTime?)null), cancellation),
            RemovedKind.RevisionName => db.RevisionNames.Where(r => r.DocumentId == document && r.Number == number && r.RemovedUtc != null)
                .ExecuteUpdateAsync(set => set.SetProperty(r => r.RemovedUtc, (DateTime?)null), cancellation),
            _ => BackAsync(db, id, kind == RemovedKind.Song ? DocumentKind.Song : DocumentKind.Template, cancellation),
        }, cancellation) > 0;
        if (isBack && kind == RemovedKind.Template)
            await RenameWhereTakenAsync(db, id, cancellation);
        if (isBack && kind == RemovedKind.ShelfItem)
            await gate.OneAtATimeAsync(() => RenameItemWhereTakenAsync(db, id, cancellation), cancellation);
        return isBack;
    }

    /// <summary>Another item of its kind may bear the name since.</summary>
    private static async Task<int> RenameItemWhereTakenAsync(StageDb db, string id, CancellationToken cancellation)
    {
        var item = await db.Shelf.FirstAsync(i => i.Id == id, cancellation);
        var taken = await ShelfStore.NamesAsync(db, item.Kind, id, cancellation);
        if (taken.Contains(item.Name))
            item.Name = Numbering.Next(item.Name, taken.Contains);
        return await db.SaveChangesAsync(cancellation);
    }

    /// <summary>Another template may bear the name since; a damaged one cannot be renamed and keeps it.</summary>
    private async Task RenameWhereTakenAsync(StageDb db, string id, CancellationToken cancellation)
    {
        try
        {
            if (await store.OpenAsync(id, cancellation) is { Template: var about, Revision: var revision }
                && await TemplateNames.FreeAsync(db, about.Name, id, cancellation: cancellation) is var free && free != about.Name)
                await store.EditAsync(id, revision, [new Describe(free, about.Category, about.Tags, about.Note)], cancellation: cancellation);
        }
        catch (DamagedDocumentException)
        {
            return;
        }
    }

    /// <summary>Ends what was removed longer ago than it can come back.</summary>
    public async Task EndOldAsync(CancellationToken cancellation)
    {
        var before = Now - WayBack;
        await using var db = await databases.CreateDbContextAsync(cancellation);
        foreach (var id in await db.Documents.Where(d => d.RemovedUtc < before).Select(d => d.Id).ToListAsync(cancellation))
            await gate.OneAtATimeAsync(() => EndAsync(db, id, cancellation), cancellation);
        await gate.OneAtATimeAsync(() => db.RevisionNames.Where(n => n.RemovedUtc < before).ExecuteDeleteAsync(cancellation), cancellation);
        await gate.OneAtATimeAsync(async () =>
        {
            await using var transaction = await db.Database.BeginTransactionAsync(cancellation);
            await db.ShelfPasts.Where(p => db.Shelf.Any(i => i.Id == p.ItemId && i.RemovedUtc < before)).ExecuteDeleteAsync(cancellation);
            await db.ShelfSounds.Where(s => db.Shelf.Any(i => i.Id == s.ItemId && i.RemovedUtc < before)).ExecuteDeleteAsync(cancellation);
            var ended = await db.Shelf.Where(i => i.RemovedUtc < before).ExecuteDeleteAsync(cancellation);
            await transaction.CommitAsync(cancellation);
            return ended;
        }, cancellation);
        foreach (var content in await db.Media.Where(m => m.RemovedUtc < before).Select(m => m.Content).ToListAsync(cancellation))
            await EndSoundAsync(db, content, before, cancellation);
    }

    private async Task<int> BackAsync(StageDb db, string id, DocumentKind kind, CancellationToken cancellation)
    {
        // Another may open by default since.
        var isTaken = await db.Documents.AnyAsync(d => d.OpensByDefault && d.RemovedUtc == null, cancellation);
        return await db.Documents.Where(d => d.Id == id && d.Kind == kind && d.RemovedUtc != null)
            .ExecuteUpdateAsync(set => set.SetProperty(d => d.RemovedUtc, (DateTime?)null).SetProperty(d => d.OpensByDefault, d => d.OpensByDefault && !isTaken), cancellation);
    }

    private static async Task EndAsync(StageDb db, string id, CancellationToken cancellation)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancellation);
        await db.MediaUses.Where(u => u.DocumentId == id).ExecuteDeleteAsync(cancellation);
        await db.ShelfUses.Where(u => u.DocumentId == id).ExecuteDeleteAsync(cancellation);
        await db.RevisionNames.Where(n => n.DocumentId == id).ExecuteDeleteAsync(cancellation);
        await db.Snapshots.Where(s => s.DocumentId == id).ExecuteDeleteAsync(cancellation);
        await db.Revisions.Where(r => r.DocumentId == id).ExecuteDeleteAsync(cancellation);
        await db.Documents.Where(d => d.Id == id).ExecuteDeleteAsync(cancellation);
        await transaction.CommitAsync(cancellation);
    }

    /// <summary>The row goes first: a file without a row is cleared later, a row without a file would be a loss.</summary>
    private Task<bool> EndSoundAsync(StageDb db, string content, DateTime before, CancellationToken cancellation) => media.AloneAsync(async () =>
    {
        var unused = db.Media.Where(m => m.Content == content && m.RemovedUtc < before && !db.MediaUses.Any(u => u.Content == content) && !db.ShelfSounds.Any(s => s.Content == content));
        if (await gate.OneAtATimeAsync(() => unused.ExecuteDeleteAsync(cancellation), cancellation) == 0)
            return false;
        files.Remove(content);
        media.Forget(content);
        return true;
    }, cancellation);

    private static RemovedThing Of(RemovedKind kind, string id, string name, DateTime? removed)
    {
        var at = DateTime.SpecifyKind(removed!.Value, DateTimeKind.Utc);
        return new(kind, id, name, at, at + WayBack);
    }
}

public enum RemovedKind
{
    Template,
    Song,
    Sound,
    RevisionName,
    ShelfItem,
}

/// <summary>Something that was removed and can come back.</summary>
/// <param name="Id">Of the document or the sound's content; for a revision's name the document and the number, parted by a slash.</param>
/// <param name="EndsUtc">From then on it cannot.</param>
public sealed record RemovedThing(RemovedKind Kind, string Id, string Name, DateTime RemovedUtc, DateTime EndsUtc);
