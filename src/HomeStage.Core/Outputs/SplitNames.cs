using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>What outputs are called as long as nobody gives them a name: after what they carry.</summary>
public static class SplitNames
{
    /// <returns>By number of the output, of those that carry something.</returns>
    public static IReadOnlyDictionary<int, string> Of(Kit kit)
    {
        var lines = kit.Lines;
        var byOutput = FamilyTree.Order([.. lines.Select(l => l.Family)]).GroupBy(i => lines[i].Output).ToList();
        var names = new PlanNames([.. lines.Select(PlanPiece.Of)]).Of([.. byOutput.Select(g => (IReadOnlyList<int>)[.. g])]);
        return byOutput.Zip(names).ToDictionary(x => x.First.Key, x => x.Second);
    }

    /// <summary>What changes where one kit takes another's place: outputs that were called after what they carried and carry something else.</summary>
    /// <returns>By number of the output its new name.</returns>
    public static IReadOnlyDictionary<int, string> Renamed(Kit before, Kit after)
    {
        var (was, now) = (Of(before), Of(after));
        return now.Where(n => n.Key > 1 && n.Key <= before.Outputs.Count && was.TryGetValue(n.Key, out var name) && name == before.Outputs[n.Key - 1].Name && name != n.Value)
            .ToDictionary(n => n.Key, n => n.Value);
    }
}
