using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Keeping;

/// <summary>Makes a new document of what can still be read of a damaged one. The damaged one stays as it is.</summary>
public sealed class Recovery(IDbContextFactory<StageDb> databases, DocumentStore store)
{
    private const int LongestName = TextRules.LongestName;
    private const string Added = ", recovered";

    /// <returns>The new document and the revision that it was read at; null where nothing can be read.</returns>
    public async Task<(OpenDocument Made, int Revision)?> RecoverAsync(string id, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        if (await db.Documents.AsNoTracking().SingleOrDefaultAsync(d => d.Id == id, cancellation) is not { } row
            || await WholeRevisions.LastAsync(db, id, row.Revision, cancellation) is not { } whole)
            return null;
        var name = whole.Template.Name[..Math.Min(whole.Template.Name.Length, LongestName - Added.Length)] + Added;
        (string, int)? from = row.StartedFromId is { } template ? (template, row.StartedFromRevision ?? 0) : null;
        return (await store.CreateAsync(new NewDocument(row.Kind, whole.Template with { Name = name }, from) { Brought = Brought.Of(row.Brought) }, cancellation), whole.Number);
    }
}
