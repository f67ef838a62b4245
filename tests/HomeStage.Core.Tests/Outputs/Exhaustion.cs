using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>The best plan by trying every composition: the second opinion on the dynamic programme.</summary>
internal static class Exhaustion
{
    /// <returns>The cost, and the runs as sorted lists of pieces; null where nothing fits.</returns>
    public static (long Cost, IEnumerable<string> Runs)? Best(PlanPiece[] pieces, int outputs, JackUse use)
    {
        var order = FamilyTree.Order([.. pieces.Select(p => p.Family)]);
        var alone = order.Where(i => pieces[i].Stay == PieceStay.Alone).ToList();
        var rest = order.Where(i => pieces[i].Stay == PieceStay.ByPlan).ToList();
        var best = Compositions(rest)
            .Where(runs => Fits([.. runs, .. alone.Select(i => new List<int> { i })], pieces, outputs, use))
            .Select(runs => (Cost: runs.Sum(r => CostOf(r, pieces)), Count: runs.Count, Cuts: CutsOf(runs), Runs: runs))
            .OrderBy(c => c.Cost).ThenBy(c => c.Count).ThenBy(c => c.Cuts, StringComparer.Ordinal)
            .Select(c => ((long, IEnumerable<string>)?)(c.Cost, c.Runs.Concat(alone.Select(i => new List<int> { i })).Select(r => string.Join(',', r)).Order(StringComparer.Ordinal)));
        return best.FirstOrDefault();
    }

    private static IEnumerable<List<List<int>>> Compositions(List<int> pieces)
    {
        if (pieces.Count == 0)
            return [[]];
        return Enumerable.Range(0, 1 << (pieces.Count - 1)).Select(cuts =>
        {
            var runs = new List<List<int>> { new() { pieces[0] } };
            for (var i = 1; i < pieces.Count; i++)
            {
                if ((cuts >> (i - 1) & 1) == 1)
                    runs.Add([]);
                runs[^1].Add(pieces[i]);
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

    private static long CostOf(List<int> run, PlanPiece[] pieces) =>
        (from a in Enumerable.Range(0, run.Count) from b in Enumerable.Range(0, a) select (long)pieces[run[a]].Importance * pieces[run[b]].Importance * Edges(pieces[run[a]].Family, pieces[run[b]].Family)).Sum();

    /// <summary>Edges by walking: up from the one to a common family, down to the other.</summary>
    private static int Edges(string one, string other)
    {
        var (a, b) = (("/" + one).Split('/'), ("/" + other).Split('/'));
        var common = a.Zip(b).TakeWhile(p => p.First == p.Second).Count();
        return 1 + (a.Length - common) + (b.Length - common) + 1;
    }

    /// <summary>Where the runs end, so that the earlier cut sorts first.</summary>
    private static string CutsOf(List<List<int>> runs)
    {
        var ends = new List<string>();
        var at = 0;
        foreach (var run in runs)
            ends.Add($"{at += run.Count:00}");
        return string.Join('.', ends);
    }
}
