using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Summaries;

/// <summary>The lists of the library: stored summaries, made anew for those alone that were changed since.</summary>
public sealed class SummaryShelf(IDbContextFactory<StageDb> databases, DocumentLists lists, DocumentStore store, DamageBook damages, WriteGate gate)
{
    /// <returns>The default template first, then those changed last; what is removed is left out.</returns>
    public async Task<IReadOnlyList<ListedDocument>> AllAsync(DocumentKind kind, CancellationToken cancellation) =>
        await OfAsync(await lists.AllAsync(kind, cancellation), cancellation);

    public async Task<ListedDocument> OfAsync(DocumentRow row, CancellationToken cancellation) => (await OfAsync([row], cancellation))[0];

    private async Task<IReadOnlyList<ListedDocument>> OfAsync(IReadOnlyList<DocumentRow> rows, CancellationToken cancellation)
    {
        var (listed, made) = (new List<ListedDocument>(rows.Count), new List<(string Id, int Revision, DocumentSummary Summary)>());
        foreach (var row in rows)
        {
            var stored = DocumentSummary.Of(row.Summary);
            if (stored is null || row.SummaryRevision != row.Revision)
            {
                if (await OpenedAsync(row, cancellation) is { } document)
                {
                    stored = DocumentSummary.Of(document.Template);
                    made.Add((document.Id, document.Revision, stored));
                }
            }

            listed.Add(new(row, stored ?? DocumentSummary.OfName(row.Name), damages.Of(row.Id)));
        }

        if (made.Count > 0)
            await KeepAsync(made, cancellation);
        return listed;
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
