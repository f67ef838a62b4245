using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Summaries;

/// <summary>The lists of the library: stored summaries, made anew for those alone that were changed since.</summary>
public sealed class SummaryShelf(IDbContextFactory<StageDb> databases, DocumentLists lists, DocumentStore store, DamageBook damages)
{
    /// <returns>The default template first, then those changed last; what is removed is left out.</returns>
    public async Task<IReadOnlyList<ListedDocument>> AllAsync(DocumentKind kind, CancellationToken cancellation)
    {
        var listed = new List<ListedDocument>();
        foreach (var row in await lists.AllAsync(kind, cancellation))
            listed.Add(await OfAsync(row, cancellation));
        return listed;
    }

    public async Task<ListedDocument> OfAsync(DocumentRow row, CancellationToken cancellation)
    {
        var stored = DocumentSummary.Of(row.Summary);
        if (stored is not null && row.SummaryRevision == row.Revision)
            return new(row, stored, damages.Of(row.Id));
        try
        {
            if (await store.OpenAsync(row.Id, row.Kind, cancellation) is { } document)
                return new(row, await KeepAsync(document, cancellation), damages.Of(row.Id));
        }
        catch (DamagedDocumentException)
        {
            // The store has noted it, and the list shows what was known before.
        }

        return new(row, stored ?? DocumentSummary.OfName(row.Name), damages.Of(row.Id));
    }

    private async Task<DocumentSummary> KeepAsync(OpenDocument document, CancellationToken cancellation)
    {
        var summary = DocumentSummary.Of(document.Template);
        var json = summary.ToJson();
        await using var db = await databases.CreateDbContextAsync(cancellation);
        await db.Documents.Where(d => d.Id == document.Id).ExecuteUpdateAsync(
            set => set.SetProperty(d => d.Summary, json).SetProperty(d => d.SummaryRevision, document.Revision), cancellation);
        return summary;
    }
}

/// <summary>A document as lists show it.</summary>
/// <param name="Damage">Null where nothing is known to be wrong.</param>
public sealed record ListedDocument(DocumentRow Row, DocumentSummary Summary, Damage? Damage);
