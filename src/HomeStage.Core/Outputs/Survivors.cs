using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>Which group of a new plan goes on with the splits of an output that is there.</summary>
/// <remarks>The best of all: as many as can be of those that somebody has worked on, then the same pieces, then most importance in common.</remarks>
internal static class Survivors
{
    private const long OfWork = 1_000_000_000;
    private const long OfHome = 10_000_000;
    private const long OfTheSame = 1_000_000;

    /// <returns>By group: the old output whose splits it takes over; 0 for none.</returns>
    /// <param name="belonging">By old output and group: whether the strip that is remembered for just the group's pieces is there.</param>
    /// <param name="splitOutputs">Outputs with splits, and whether anybody has worked on one of them.</param>
    public static IReadOnlyList<int> Of(Kit kit, IReadOnlyDictionary<int, bool> splitOutputs, IReadOnlyList<PlanGroup> groups, Func<int, int, Belonging> belonging)
    {
        var lines = kit.Lines;
        var outputs = splitOutputs.Keys.Order().ToList();
        var held = outputs.ConvertAll(o => lines.Where(l => l.Output == o).Select(l => l.Index).ToHashSet());
        long Worth(int old, int g)
        {
            // The first output sounds on the instrument's own channel and takes no split.
            if (!kit.FirstReserved && groups[g].FirstJack == 1)
                return 0;
            var isSame = held[old].SetEquals(groups[g].Pieces);
            var common = groups[g].Pieces.Where(held[old].Contains).Sum(i => lines[i].Microphone.Importance);
            // A group whose own strip is kept for it takes no other's.
            var home = belonging(outputs[old], g);
            return common == 0 || (home == Belonging.Elsewhere && !isSame) ? 0
                : common + (isSame ? OfTheSame : 0) + (home == Belonging.Here ? OfHome : 0) + (splitOutputs[outputs[old]] ? OfWork : 0);
        }

        var taken = Assignment.Best(groups.Count, outputs.Count, (g, old) => Worth(old, g));
        return [.. taken.Select(old => old < 0 ? 0 : outputs[old])];
    }
}

/// <summary>Whose a group is, as far as strips are remembered.</summary>
internal enum Belonging
{
    /// <summary>No strip is remembered for it.</summary>
    Anybody,

    /// <summary>The strip that is remembered for it is the one that is asked about.</summary>
    Here,

    /// <summary>Another strip is.</summary>
    Elsewhere,
}
