using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>Reads a document's past from snapshots and log, as far as it is whole.</summary>
/// <remarks>A snapshot that is damaged costs time alone: an older one and the log give the same document. An entry of the log
/// that is damaged is passed only by a later snapshot.</remarks>
internal static class WholeRevisions
{
    /// <returns>The template at that revision, or at the last one before it that can be read; null where none can.</returns>
    public static async Task<WholeRevision?> LastAsync(StageDb db, string id, int number, CancellationToken cancellation)
    {
        foreach (var start in await SnapshotsAsync(db, id, number, cancellation))
            if (await SnapshotAsync(db, id, start, cancellation) is { } replay && await FollowedAsync(db, replay, number, cancellation) is { } whole)
                return whole;
        return null;
    }

    private static async Task<List<int>> SnapshotsAsync(StageDb db, string id, int upTo, CancellationToken cancellation)
    {
        try
        {
            return await db.Snapshots.AsNoTracking().Where(s => s.DocumentId == id && s.Number <= upTo)
                .OrderByDescending(s => s.Number).Select(s => s.Number).ToListAsync(cancellation);
        }
        catch (SqliteException e) when (Starting.StorageFaults.Of(e) == Starting.StorageFault.Damaged)
        {
            return [];
        }
    }

    private static async Task<LogReplay?> SnapshotAsync(StageDb db, string id, int number, CancellationToken cancellation)
    {
        try
        {
            var row = await db.Snapshots.AsNoTracking().SingleAsync(s => s.DocumentId == id && s.Number == number, cancellation);
            // One that is as we wrote it is not held against rules again: they may have become stricter since.
            var isAsWritten = row.Digest is not null && row.Digest.AsSpan().SequenceEqual(Digest.Of(id, number, row.Content));
            return isAsWritten || row.Digest is null ? new(id, number, Snapshot.Plain(row.Content), isAsWritten) : null;
        }
        catch (Exception e) when (IsDamage(e))
        {
            return null;
        }
    }

    /// <returns>As far as the log can be followed; null where not even the snapshot can be read.</returns>
    private static async Task<WholeRevision?> FollowedAsync(StageDb db, LogReplay replay, int number, CancellationToken cancellation)
    {
        var (id, start) = (replay.Document, replay.Number);
        var later = db.Revisions.AsNoTracking().Where(r => r.DocumentId == id && r.Number > start && r.Number <= number).OrderBy(r => r.Number);
        try
        {
            await foreach (var row in later.AsAsyncEnumerable().WithCancellation(cancellation))
                if (!replay.Follow(row))
                    break;
        }
        catch (ForeignChangeException)
        {
            // It stands half changed: once more, without what it could not follow.
            return await LastAsync(db, id, replay.Number, cancellation);
        }
        catch (Exception e) when (IsDamage(e))
        {
            // What was read until here is whole.
        }

        try
        {
            return replay.Whole();
        }
        catch (Exception e) when (IsDamage(e))
        {
            return null;
        }
    }

    /// <summary>What reading damaged bytes can end in; a fault of the machine or a cancelled request is none of it.</summary>
    private static bool IsDamage(Exception e) =>
        e is InvalidDataException or JsonException or NotSupportedException or InvalidOperationException or FormatException or InvalidCastException
        || (e is SqliteException && Starting.StorageFaults.Of(e) == Starting.StorageFault.Damaged);
}
