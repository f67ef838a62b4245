using System.Text;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Sounds;

/// <summary>Who uses which sound, at any revision that can be gone back to, removed documents included as long as they can come back.</summary>
public sealed partial class SoundUses(IDbContextFactory<StageDb> databases)
{
    /// <returns>Names of documents and of items of the shelf that use it or did.</returns>
    public async Task<IReadOnlyList<string>> OfAsync(string content, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var documents = db.MediaUses.Where(u => u.Content == content).Join(db.Documents, u => u.DocumentId, d => d.Id, (_, d) => d.Name);
        var items = db.ShelfSounds.Where(s => s.Content == content).Join(db.Shelf, s => s.ItemId, i => i.Id, (_, i) => i.Name);
        return await documents.Concat(items).Order().ToListAsync(cancellation);
    }

    /// <returns>How many documents and items of the shelf use each sound that is used at all.</returns>
    public async Task<IReadOnlyDictionary<string, int>> CountsAsync(CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var documents = await db.MediaUses.AsNoTracking().GroupBy(u => u.Content).Select(g => new { g.Key, Count = g.Count() }).ToListAsync(cancellation);
        var items = await db.ShelfSounds.AsNoTracking().GroupBy(u => u.Content).Select(g => new { g.Key, Count = g.Count() }).ToListAsync(cancellation);
        return documents.Concat(items).GroupBy(u => u.Key, StringComparer.Ordinal).ToDictionary(g => g.Key, g => g.Sum(u => u.Count), StringComparer.Ordinal);
    }

    /// <summary>Notes the sounds of documents that were made before uses were counted.</summary>
    public async Task NoteOldAsync(CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        foreach (var id in await db.Documents.Where(d => !d.SoundsNoted).Select(d => d.Id).ToListAsync(cancellation))
        {
            await using var transaction = await db.Database.BeginTransactionAsync(cancellation);
            await DocumentWriter.NoteSoundsAsync(db, id, await MentionedAsync(db, id, cancellation));
            await db.Documents.Where(d => d.Id == id).ExecuteUpdateAsync(set => set.SetProperty(d => d.SoundsNoted, true), cancellation);
            await transaction.CommitAsync(cancellation);
        }
    }

    private static async Task<HashSet<string>> MentionedAsync(StageDb db, string id, CancellationToken cancellation)
    {
        var found = new HashSet<string>(StringComparer.Ordinal);
        await foreach (var text in db.Revisions.AsNoTracking().Where(r => r.DocumentId == id).Select(r => r.Done).AsAsyncEnumerable().WithCancellation(cancellation))
            found.UnionWith(Mentioned(text));
        await foreach (var content in db.Snapshots.AsNoTracking().Where(s => s.DocumentId == id).Select(s => s.Content).AsAsyncEnumerable().WithCancellation(cancellation))
        {
            try
            {
                found.UnionWith(Mentioned(Encoding.UTF8.GetString(Snapshot.Plain(content))));
            }
            catch (InvalidDataException)
            {
                // A damaged snapshot mentions nothing; the log beside it does.
                continue;
            }
        }

        return found;
    }

    private static IEnumerable<string> Mentioned(string text) => Content().Matches(text).Select(m => m.Groups["hash"].Value);

    [GeneratedRegex("\"content\":\\s*\"(?<hash>[0-9a-f]{64})\"", RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 10_000)]
    private static partial Regex Content();
}
