using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>The best plan by trying every composition: the second opinion on the dynamic programme.</summary>
internal static class Exhaustion
{
    /// <summary>What is not divided, where it stands, and how much it weighs.</summary>
    private sealed record Block(List<int> Pieces, string Family, long Importance);

    /// <returns>The cost, and the runs as sorted lists of pieces; null where nothing fits.</returns>
    public static (long Cost, IEnumerable<string> Runs)? Best(PlanPiece[] pieces, int outputs, JackUse use, string[] whole)
    {
        var order = FamilyTree.Order([.. pieces.Select(p => p.Family)]);
        var alone = order.Where(i => pieces[i].Stay == PieceStay.Alone).ToList();
        var blocks = Blocks(pieces, [.. order.Where(i => pieces[i].Stay == PieceStay.ByPlan)], whole);
        var families = blocks.SelectMany(b => Families(b.Family)).Distinct(StringComparer.Ordinal).Select(f => blocks.Where(b => Families(b.Family).Contains(f)).ToHashSet()).ToList();
        var best = Compositions(blocks)
            .Where(runs => runs.TrueForAll(r => families.TrueForAll(f => !f.Overlaps(r) || f.IsSubsetOf(r) || f.IsSupersetOf(r))))
            .Where(runs => Fits([.. runs.Select(Pieces), .. alone.Select(i => new List<int> { i })], pieces, outputs, use))
            .Select(runs => (Cost: runs.Sum(CostOf), Count: runs.Count, Cuts: CutsOf(runs), Runs: runs))
            .OrderBy(c => c.Cost).ThenBy(c => c.Count).ThenBy(c => c.Cuts, StringComparer.Ordinal)
            .Select(c => ((long, IEnumerable<string>)?)(c.Cost, c.Runs.Select(Pieces).Concat(alone.Select(i => new List<int> { i })).Select(r => string.Join(',', r)).Order(StringComparer.Ordinal)));
        return best.FirstOrDefault();
    }

    /// <summary>Every family above a path but the outermost: "drums/toms" and "drums/toms/floor", not "drums".</summary>
    private static IEnumerable<string> Families(string path)
    {
        var parts = path.Split('/');
        return Enumerable.Range(2, Math.Max(0, parts.Length - 1)).Select(n => string.Join('/', parts.Take(n)));
    }

    private static List<int> Pieces(List<Block> run) => [.. run.SelectMany(b => b.Pieces)];

    private static List<Block> Blocks(PlanPiece[] pieces, List<int> order, string[] whole)
    {
        var blocks = new List<Block>();
        var left = order.ToList();
        while (left.Count > 0)
        {
            var first = pieces[left[0]];
            var family = whole.Where(w => $"{first.Family}/".StartsWith($"{w}/", StringComparison.Ordinal)).MinBy(w => w.Length);
            List<int> members = family is not null ? left.FindAll(i => $"{pieces[i].Family}/".StartsWith($"{family}/", StringComparison.Ordinal))
                : first.Together is { } word ? left.FindAll(i => pieces[i].Together == word && !whole.Any(w => $"{pieces[i].Family}/".StartsWith($"{w}/", StringComparison.Ordinal)))
                : [left[0]];
            blocks.Add(new(members, family ?? first.Family, members.Sum(i => pieces[i].Importance)));
            left.RemoveAll(members.Contains);
        }

        return blocks;
    }

    private static IEnumerable<List<List<Block>>> Compositions(List<Block> blocks)
    {
        if (blocks.Count == 0)
            return [[]];
        return Enumerable.Range(0, 1 << (blocks.Count - 1)).Select(cuts =>
        {
            var runs = new List<List<Block>> { new() { blocks[0] } };
            for (var i = 1; i < blocks.Count; i++)
            {
                if ((cuts >> (i - 1) & 1) == 1)
                    runs.Add([]);
                runs[^1].Add(blocks[i]);
            }

            return runs;
        });
    }

    private static bool Fits(List<List<int>> runs, PlanPiece[] pieces, int outputs, JackUse use)
    {
        if (use != JackUse.Halves)
            return runs.Count <= outputs;
        var stereo = runs.Count(r => r.Any(i => pieces[i].Format == ChannelFormat.Stereo));
        return 2 * stereo + (runs.Count - stereo) <= 2 * outputs;
    }

    private static long CostOf(List<Block> run) =>
        (from a in Enumerable.Range(0, run.Count) from b in Enumerable.Range(0, a) select run[a].Importance * run[b].Importance * Edges(run[a].Family, run[b].Family)).Sum();

    /// <summary>Edges by walking: up from the one to a common family, down to the other.</summary>
    private static int Edges(string one, string other)
    {
        var (a, b) = (("/" + one).Split('/'), ("/" + other).Split('/'));
        var common = a.Zip(b).TakeWhile(p => p.First == p.Second).Count();
        return 1 + (a.Length - common) + (b.Length - common) + 1;
    }

    /// <summary>Where the runs end, so that the earlier cut sorts first.</summary>
    private static string CutsOf(List<List<Block>> runs)
    {
        var ends = new List<string>();
        var at = 0;
        foreach (var run in runs)
            ends.Add($"{at += run.Count:00}");
        return string.Join('.', ends);
    }
}
