using System.Text.Json;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
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
            if (await SnapshotAsync(db, id, start, cancellation) is { } template)
                return await FollowedAsync(db, id, new(template, start, 0), number, cancellation);
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

    private static async Task<Template?> SnapshotAsync(StageDb db, string id, int number, CancellationToken cancellation)
    {
        try
        {
            var row = await db.Snapshots.AsNoTracking().SingleAsync(s => s.DocumentId == id && s.Number == number, cancellation);
            // One that is as we wrote it is not held against rules again: they may have become stricter since.
            return row.Digest is null ? Snapshot.Unpack(row.Content)
                : row.Digest.AsSpan().SequenceEqual(Digest.Of(id, number, row.Content)) ? Snapshot.UnpackTrusted(row.Content)
                : null;
        }
        catch (Exception e) when (IsDamage(e))
        {
            return null;
        }
    }

    private static async Task<WholeRevision> FollowedAsync(StageDb db, string id, WholeRevision from, int number, CancellationToken cancellation)
    {
        var (at, later) = (from, db.Revisions.AsNoTracking().Where(r => r.DocumentId == id && r.Number > from.Number && r.Number <= number).OrderBy(r => r.Number));
        try
        {
            await foreach (var row in later.AsAsyncEnumerable().WithCancellation(cancellation))
                if (row.Number == at.Number + 1 && Next(at, row) is { } next)
                    at = next;
                else
                    break;
        }
        catch (Exception e) when (IsDamage(e))
        {
            // What was read until here is whole.
            return at;
        }

        return at;
    }

    private static WholeRevision? Next(WholeRevision at, RevisionRow row)
    {
        if (row.Digest is { } digest && !digest.AsSpan().SequenceEqual(Digest.Of(row)))
            return null;
        var edits = RevisionLog.Edits(row.Edits);
        return Batch.Apply(at.Template, edits) is BatchResult.Applied applied
            ? new(applied.Template, row.Number, at.Work + Work(edits, applied.Template))
            : null;
    }

    /// <summary>About what a batch costs to be worked through again: edits times channels.</summary>
    public static long Work(IReadOnlyCollection<Edit> edits, Template after) => (long)edits.Count * after.Channels.Count;

    /// <summary>What reading damaged bytes can end in; a fault of the machine or a cancelled request is none of it.</summary>
    private static bool IsDamage(Exception e) =>
        e is InvalidDataException or JsonException or NotSupportedException or InvalidOperationException or FormatException or InvalidCastException
        || (e is SqliteException && Starting.StorageFaults.Of(e) == Starting.StorageFault.Damaged);
}

/// <summary>A document as it was, and what reading it has cost.</summary>
/// <param name="Work">Of the log since the snapshot, in edits times channels.</param>
internal sealed record WholeRevision(Template Template, int Number, long Work);
