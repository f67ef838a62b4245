using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>What runs of pieces are called: a single piece by its name, a whole family by the family, others by what they hold.</summary>
internal sealed class PlanNames(IReadOnlyList<PlanPiece> pieces)
{
    private const int MostListed = 3;

    private readonly FamilyPaths _paths = new(pieces.Select(p => p.Family));

    /// <returns>Names without doubles.</returns>
    public IReadOnlyList<string> Of(IReadOnlyList<IReadOnlyList<int>> runs)
    {
        var names = runs.Select(NameOf).ToArray();
        var doubled = names.GroupBy(n => n, StringComparer.Ordinal).Where(g => g.Count() > 1).Select(g => g.Key).ToHashSet(StringComparer.Ordinal);
        return [.. runs.Zip(names, (run, name) => Shortened(doubled.Contains(name) && run.Count > 1 ? FromTo(run) : name))];
    }

    private string NameOf(IReadOnlyList<int> run)
    {
        var parts = Parts(run);
        return parts.Count <= MostListed ? Listed(parts) : FromTo(run);
    }

    /// <summary>The fewest families and pieces that make up a run: the lowest family that holds it, where all of that is there; else
    /// what it has below.</summary>
    private List<string> Parts(IReadOnlyList<int> run)
    {
        if (run.Count == 1)
            return [pieces[run[0]].Name];
        var depth = run.Min(i => _paths.Shared(run[0], i));
        if (depth > 0 && _paths[run[0]][depth - 1] is var lowest && _paths.SizeOf(lowest) == run.Count)
            return [FamilyTree.Spoken(_paths.PartOf(lowest))];
        return [.. run.GroupBy(i => _paths[i].Length > depth ? _paths[i][depth] : -1)
            .SelectMany(part => part.Key >= 0 ? Parts([.. part]) : [.. part.Select(i => pieces[i].Name)])];
    }

    private string FromTo(IReadOnlyList<int> run) => $"{pieces[run[0]].Name} to {pieces[run[^1]].Name.InASentence()}";

    private static string Listed(List<string> parts) =>
        parts.Count == 1 ? parts[0] : $"{string.Join(", ", parts.Take(1).Concat(parts.Skip(1).SkipLast(1).Select(Capitals.InASentence)))} and {parts[^1].InASentence()}";

    private static string Shortened(string name) => name.Length <= TextRules.LongestName ? name : name[..TextRules.LongestName];
}
