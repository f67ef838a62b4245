using System.Collections.Concurrent;
using HomeStage.Core.Templates;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Summaries;

/// <summary>The lists of the library: stored summaries, made anew for those alone that were changed since.</summary>
public sealed class SummaryShelf(IDbContextFactory<StageDb> databases, DocumentLists lists, DocumentStore store, RevisionLog log, DamageBook damages, WriteGate gate)
{
    private readonly ConcurrentDictionary<string, (int Revision, DocumentSummary? Summary)> _known = new(StringComparer.Ordinal);

    /// <returns>The default template first, then those changed last; what is removed is left out.</returns>
    public async Task<IReadOnlyList<ListedDocument>> AllAsync(DocumentKind kind, CancellationToken cancellation) =>
        await OfAsync(await lists.AllAsync(kind, cancellation), cancellation);

    /// <returns>The songs that began from a template, those changed last first.</returns>
    public async Task<IReadOnlyList<ListedDocument>> SongsOfAsync(string template, CancellationToken cancellation) =>
        await OfAsync([.. (await lists.AllAsync(DocumentKind.Song, cancellation)).Where(d => d.StartedFromId == template)], cancellation);

    public async Task<ListedDocument> OfAsync(DocumentRow row, CancellationToken cancellation) => (await OfAsync([row], cancellation))[0];

    private async Task<IReadOnlyList<ListedDocument>> OfAsync(IReadOnlyList<DocumentRow> rows, CancellationToken cancellation)
    {
        await LearnAsync(rows, cancellation);
        var began = new Dictionary<(string, int), Template?>();
        var (listed, made) = (new List<ListedDocument>(rows.Count), new List<(string Id, int Revision, DocumentSummary Summary)>());
        foreach (var row in rows)
        {
            var stored = Known(row);
            if (stored is null || row.SummaryRevision != row.Revision)
            {
                if (await OpenedAsync(row, cancellation) is { } document)
                {
                    stored = DocumentSummary.Of(document, await BeganAsync(row, began, cancellation));
                    made.Add((document.Id, document.Revision, stored));
                }
            }

            listed.Add(new(row, stored ?? DocumentSummary.OfName(row.Name), damages.Of(row.Id)));
        }

        if (made.Count > 0)
            await KeepAsync(made, cancellation);
        return listed;
    }

    /// <summary>Reads the summaries that are not known yet, or were made anew since.</summary>
    private async Task LearnAsync(IReadOnlyList<DocumentRow> rows, CancellationToken cancellation)
    {
        var unknown = rows.Where(r => r.SummaryRevision is not null && Known(r) is null).Select(r => r.Id).ToList();
        if (unknown.Count == 0)
            return;
        await using var db = await databases.CreateDbContextAsync(cancellation);
        foreach (var read in await db.Documents.AsNoTracking().Where(d => unknown.Contains(d.Id) && d.SummaryRevision != null).Select(d => new { d.Id, d.Summary, d.SummaryRevision }).ToListAsync(cancellation))
            _known[read.Id] = (read.SummaryRevision!.Value, DocumentSummary.Of(read.Summary));
    }

    private DocumentSummary? Known(DocumentRow row) => row.SummaryRevision is { } revision && _known.TryGetValue(row.Id, out var known) && known.Revision == revision ? known.Summary : null;

    /// <returns>The template as it was when a song began; null for what is no song, and where it cannot be read.</returns>
    private async Task<Template?> BeganAsync(DocumentRow row, Dictionary<(string, int), Template?> read, CancellationToken cancellation)
    {
        if (row is not { Kind: DocumentKind.Song, StartedFromId: { } from, StartedFromRevision: { } revision })
            return null;
        if (read.TryGetValue((from, revision), out var known))
            return known;
        try
        {
            return read[(from, revision)] = await log.TemplateAtAsync(from, revision, cancellation);
        }
        catch (DamagedDocumentException)
        {
            return read[(from, revision)] = null;
        }
    }

    /// <returns>Null where it cannot be read; the store has noted it then, and the list shows what was known before.</returns>
    private async Task<OpenDocument?> OpenedAsync(DocumentRow row, CancellationToken cancellation)
    {
        try
        {
            return await store.OpenAsync(row.Id, cancellation);
        }
        catch (DamagedDocumentException)
        {
            return null;
        }
    }

    private async Task KeepAsync(IReadOnlyList<(string Id, int Revision, DocumentSummary Summary)> made, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        await gate.OneAtATimeAsync(async () =>
        {
            await using var transaction = await db.Database.BeginTransactionAsync(cancellation);
            foreach (var (id, revision, summary) in made)
            {
                var json = summary.ToJson();
                await db.Documents.Where(d => d.Id == id).ExecuteUpdateAsync(
                    set => set.SetProperty(d => d.Summary, json).SetProperty(d => d.SummaryRevision, revision), cancellation);
            }

            await transaction.CommitAsync(cancellation);
        }, cancellation);
    }
}

/// <summary>A document as lists show it.</summary>
/// <param name="Damage">Null where nothing is known to be wrong.</param>
public sealed record ListedDocument(DocumentRow Row, DocumentSummary Summary, Damage? Damage);
