namespace HomeStage.Server.Data.Summaries;

/// <summary>A search of the library: every word must be found somewhere, in capitals or not.</summary>
internal sealed class LibrarySearch(string find)
{
    private readonly string[] _words = find.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);

    /// <param name="Beyond">The first channel, instrument, device or note in which a word was found that a bill does not show; null for none.</param>
    public sealed record Hit(string? Beyond);

    /// <returns>Null where a word is nowhere.</returns>
    public Hit? In(DocumentSummary summary)
    {
        string? beyond = null;
        foreach (var word in _words)
        {
            if (IsOnTheBill(summary, word))
                continue;
            if (summary.Names.FirstOrDefault(n => Has(n, word)) is not { } name)
                return null;
            beyond ??= name;
        }

        return new(beyond);
    }

    private static bool IsOnTheBill(DocumentSummary summary, string word) =>
        Has(summary.Name, word) || Has(summary.Category, word) || Has(summary.Note, word) || summary.Tags.Any(t => Has(t, word)) || summary.Families.Any(f => Has(f.Name, word));

    private static bool Has(string text, string word) => text.Contains(word, StringComparison.OrdinalIgnoreCase);
}
