using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>What runs of pieces are called: a single piece by its name, a whole family by the family, others by what they hold.</summary>
internal sealed class PlanNames(IReadOnlyList<PlanPiece> pieces, IReadOnlyList<int> order)
{
    private const int MostListed = 3;

    /// <returns>Names without doubles.</returns>
    public IReadOnlyList<string> Of(IReadOnlyList<IReadOnlyList<int>> runs)
    {
        var names = runs.Select(NameOf).ToArray();
        var doubled = names.GroupBy(n => n, StringComparer.Ordinal).Where(g => g.Count() > 1).Select(g => g.Key).ToHashSet(StringComparer.Ordinal);
        return [.. runs.Zip(names, (run, name) => Shortened(doubled.Contains(name) && run.Count > 1 ? FromTo(run) : name))];
    }

    private string NameOf(IReadOnlyList<int> run)
    {
        if (run.Count == 1)
            return pieces[run[0]].Name;
        var lowest = FamilyTree.Lowest(run.Select(i => pieces[i].Family));
        if (lowest.Count > 0 && IsWhole(lowest, run))
            return Spoken(lowest[^1]);
        var parts = run.Select(i => PartBelow(lowest.Count, i)).Distinct(StringComparer.Ordinal).ToList();
        return parts.Count <= MostListed ? Listed(parts) : FromTo(run);
    }

    /// <summary>Whether the run is all that a family has.</summary>
    private bool IsWhole(IReadOnlyList<string> family, IReadOnlyList<int> run) =>
        order.Count(i => FamilyTree.Lowest([pieces[i].Family, string.Join('/', family)]).Count == family.Count) == run.Count;

    /// <summary>The family just below, or the piece itself where it hangs there.</summary>
    private string PartBelow(int depth, int piece)
    {
        var parts = FamilyTree.Parts(pieces[piece].Family);
        return parts.Count > depth ? Spoken(parts[depth]) : pieces[piece].Name;
    }

    private string FromTo(IReadOnlyList<int> run) => $"{pieces[run[0]].Name} to {Lowered(pieces[run[^1]].Name)}";

    private static string Listed(List<string> parts) =>
        parts.Count == 1 ? parts[0] : $"{string.Join(", ", parts.Take(1).Concat(parts.Skip(1).SkipLast(1).Select(Lowered)))} and {Lowered(parts[^1])}";

    private static string Spoken(string part) => char.ToUpperInvariant(part[0]) + part[1..];

    private static string Lowered(string name) => name.Length > 1 && char.IsUpper(name[1]) ? name : char.ToLowerInvariant(name[0]) + name[1..];

    private static string Shortened(string name) => name.Length <= TextRules.LongestName ? name : name[..TextRules.LongestName];
}
