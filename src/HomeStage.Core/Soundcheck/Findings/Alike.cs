namespace HomeStage.Core.Soundcheck.Findings;

/// <summary>Findings that are said once, because so many are of one rule; or one that is said alone.</summary>
public sealed record Alike(Sequence<Finding> Findings)
{
    /// <summary>So many of one rule are still said one by one.</summary>
    public const int MostApart = 3;

    /// <summary>Removes all of them, each by the best of its mends; null where one has none, and for a finding that is alone.</summary>
    public Mend? Together => Findings.Count == 1 || Findings.Any(f => f.Mends.Count == 0)
        ? null
        : new($"Mend all {Findings.Count}", Findings.SelectMany(f => f.Mends[0].Edits).ToSequence());

    /// <param name="findings">In the order in which they are to be said; those of one rule move up to the first of them.</param>
    public static IEnumerable<Alike> Of(IEnumerable<Finding> findings) => findings
        .GroupBy(f => f.Rule, StringComparer.Ordinal)
        .SelectMany(g => g.Count() > MostApart ? [new Alike(g.ToSequence())] : g.Select(f => new Alike([f])));
}
