using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>What lists show, without opening documents.</summary>
public sealed class DocumentLists(IDbContextFactory<StageDb> databases, WriteGate gate)
{
    /// <returns>The default template first, then those changed last; without their summaries and what they left behind elsewhere, which are long.</returns>
    public async Task<IReadOnlyList<DocumentRow>> AllAsync(DocumentKind kind, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await db.Documents.AsNoTracking().Where(d => d.Kind == kind && d.RemovedUtc == null)
            .OrderByDescending(d => d.OpensByDefault).ThenByDescending(d => d.ChangedUtc)
            .Select(d => new DocumentRow
            {
                Id = d.Id,
                Kind = d.Kind,
                Name = d.Name,
                Revision = d.Revision,
                CreatedUtc = d.CreatedUtc,
                ChangedUtc = d.ChangedUtc,
                StartedFromId = d.StartedFromId,
                StartedFromRevision = d.StartedFromRevision,
                OpensByDefault = d.OpensByDefault,
                LeadsCategory = d.LeadsCategory,
                SoundsNoted = d.SoundsNoted,
                SummaryRevision = d.SummaryRevision,
            })
            .ToListAsync(cancellation);
    }

    /// <returns>Whether nothing is there, removed things included.</returns>
    public async Task<bool> IsEmptyAsync(CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return !await db.Documents.AnyAsync(cancellation);
    }

    /// <returns>The name of every template by its id, of removed ones too: songs remember where they came from.</returns>
    public async Task<IReadOnlyDictionary<string, string>> NamesAsync(CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await db.Documents.AsNoTracking().Where(d => d.Kind == DocumentKind.Template).ToDictionaryAsync(d => d.Id, d => d.Name, cancellation);
    }

    /// <returns>When songs began, by the template that they began from.</returns>
    public async Task<ILookup<string, DateTime>> BegunAsync(CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var songs = await db.Documents.AsNoTracking().Where(d => d.Kind == DocumentKind.Song && d.StartedFromId != null && d.RemovedUtc == null)
            .Select(d => new { From = d.StartedFromId!, d.CreatedUtc }).ToListAsync(cancellation);
        return songs.ToLookup(s => s.From, s => s.CreatedUtc, StringComparer.Ordinal);
    }

    public async Task<DocumentRow?> FindAsync(string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await db.Documents.AsNoTracking().SingleOrDefaultAsync(d => d.Id == id, cancellation);
    }

    /// <returns>The song that a template was struck from, and its revision then; null for none.</returns>
    public async Task<(string Song, int Revision)?> StruckFromAsync(string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        var from = await db.Documents.AsNoTracking().Where(d => d.Id == id && d.Kind == DocumentKind.Template).Select(d => new { d.StartedFromId, d.StartedFromRevision }).SingleOrDefaultAsync(cancellation);
        return from is { StartedFromId: { } song, StartedFromRevision: { } revision } ? (song, revision) : null;
    }

    /// <summary>Makes one template the one that songs of its category begin from.</summary>
    /// <param name="others">The other templates of that category.</param>
    public async Task LeadCategoryAsync(string id, IReadOnlyList<string> others, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        await gate.OneAtATimeAsync(
            () => db.Documents.Where(d => d.Id == id || others.Contains(d.Id)).ExecuteUpdateAsync(set => set.SetProperty(d => d.LeadsCategory, d => d.Id == id), cancellation), cancellation);
    }

    /// <summary>Makes one template the one that opens by default.</summary>
    /// <returns>False where there is no such template.</returns>
    public async Task<bool> OpenByDefaultAsync(string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        if (!await db.Documents.AnyAsync(d => d.Id == id && d.Kind == DocumentKind.Template && d.RemovedUtc == null, cancellation))
            return false;
        await gate.OneAtATimeAsync(
            () => db.Documents.Where(d => d.Kind == DocumentKind.Template)
                .ExecuteUpdateAsync(set => set.SetProperty(d => d.OpensByDefault, d => d.Id == id), cancellation),
            cancellation);
        return true;
    }
}
