using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>No two templates that are there bear one name, whatever its capitals. Ask with the write gate held: only so is the answer still
/// true when something is written.</summary>
internal static class TemplateNames
{
    /// <param name="except">The one that wants to bear it.</param>
    public static async Task<bool> IsTakenAsync(StageDb db, string name, string except, CancellationToken cancellation = default) =>
        (await TakenAsync(db, except, cancellation)).Contains(name);

    /// <returns>The name that is wanted, or with the next number.</returns>
    /// <param name="also">Names that are about to be taken.</param>
    public static async Task<string> FreeAsync(StageDb db, string wanted, string except = "", IEnumerable<string>? also = null, CancellationToken cancellation = default)
    {
        var taken = await TakenAsync(db, except, cancellation);
        taken.UnionWith(also ?? []);
        return Numbering.Free(wanted, taken.Contains);
    }

    private static async Task<HashSet<string>> TakenAsync(StageDb db, string except, CancellationToken cancellation) =>
        (await db.Documents.AsNoTracking().Where(d => d.Kind == DocumentKind.Template && d.RemovedUtc == null && d.Id != except).Select(d => d.Name).ToListAsync(cancellation))
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
}
