using HomeStage.Core.Shelf;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Server.Data.Shelf;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Studios;

/// <summary>Knows which studio of the shelf is on; the same object as long as nothing changes in it.</summary>
public sealed class StudioDesk(IDbContextFactory<StageDb> databases, ShelfStore shelf, WriteGate gate)
{
    private volatile Known? _known;

    /// <returns>Null where none is on.</returns>
    public async Task<StudioOn?> OnAsync(CancellationToken cancellation)
    {
        var version = shelf.Version;
        if (_known is { } known && known.Version == version)
            return known.On;
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var row = await db.Shelf.AsNoTracking().FirstOrDefaultAsync(r => r.Kind == ShelfKind.Studio && r.IsOn && r.RemovedUtc == null, cancellation);
        var on = row is null ? null : new StudioOn(row.Id, row.Name, row.Revision, ((StudioContent)ShelfDocument.ReadKept(row.Content)).Studio);
        // What did not change stays the same object, so that nothing is worked out anew for it.
        if (on is not null && _known?.On is { } before && before == on)
            on = before;
        _known = new(version, on);
        return on;
    }

    /// <summary>Puts a studio on, and the one before off.</summary>
    /// <param name="id">Null for none.</param>
    /// <returns>False where there is no such studio.</returns>
    public async Task<bool> PutOnAsync(string? id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var done = await gate.OneAtATimeAsync(async () =>
        {
            var studios = await db.Shelf.Where(r => r.Kind == ShelfKind.Studio && r.RemovedUtc == null).ToListAsync(cancellation);
            if (id is not null && studios.All(s => s.Id != id))
                return false;
            foreach (var studio in studios)
                studio.IsOn = studio.Id == id;
            await db.SaveChangesAsync(cancellation);
            return true;
        }, cancellation);
        shelf.NoteChange();
        return done;
    }

    private sealed record Known(int Version, StudioOn? On);
}

/// <summary>The studio that is on.</summary>
public sealed record StudioOn(string Id, string Name, int Revision, Studio Studio);
