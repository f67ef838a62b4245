using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>Which group of a new plan goes on with the splits of an output that is there.</summary>
/// <remarks>The same pieces first, then what has been worked on, then most importance in common, then the order.</remarks>
internal static class Survivors
{
    /// <returns>By group: the old output whose splits it takes over; 0 for none.</returns>
    /// <param name="splitOutputs">Outputs with splits, and whether anybody has worked on one of them.</param>
    public static IReadOnlyList<int> Of(Kit kit, IReadOnlyDictionary<int, bool> splitOutputs, IReadOnlyList<PlanGroup> groups)
    {
        var lines = kit.Lines;
        var candidates =
            from old in splitOutputs.Keys
            let held = lines.Where(l => l.Output == old).Select(l => l.Index).ToHashSet()
            from g in Enumerable.Range(0, groups.Count)
                // The first output sounds on the instrument's own channel and takes no split.
            where kit.FirstReserved || groups[g].FirstJack != 1
            let common = groups[g].Pieces.Where(held.Contains).Sum(i => lines[i].Microphone.Importance)
            where common > 0
            orderby held.SetEquals(groups[g].Pieces) descending, splitOutputs[old] descending, common descending, old, g
            select (Old: old, Group: g);
        var taken = new int[groups.Count];
        var gone = new HashSet<int>();
        foreach (var (old, group) in candidates)
            if (taken[group] == 0 && gone.Add(old))
                taken[group] = old;
        return taken;
    }
}
