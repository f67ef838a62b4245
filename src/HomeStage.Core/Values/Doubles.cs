namespace HomeStage.Core.Values;

/// <summary>Names that may be there once only.</summary>
public static class Doubles
{
    /// <param name="what">What they are names of, for people.</param>
    /// <returns>A refusal of the first that comes twice, or null.</returns>
    public static Refusal? Check(IEnumerable<string> names, string what)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        return names.FirstOrDefault(n => !seen.Add(n)) is { } twice ? new Refusal.Doubled(what, twice) : null;
    }
}
