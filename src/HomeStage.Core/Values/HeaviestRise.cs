namespace HomeStage.Core.Values;

/// <summary>The rising subsequence that weighs most, by a tree of prefix maxima (P. M. Fenwick, 1994).</summary>
public static class HeaviestRise
{
    /// <param name="values">All different, at least 0.</param>
    /// <param name="weights">As many, each at least 1; 1 for all gives the longest.</param>
    /// <returns>The places of its members.</returns>
    public static HashSet<int> Of(IReadOnlyList<int> values, IReadOnlyList<int> weights)
    {
        // By value: the place that ends the heaviest rise among the values under a node; −1 for none.
        var tree = new int[values.Append(0).Max() + 2];
        Array.Fill(tree, -1);
        var (total, before) = (new int[values.Count], new int[values.Count]);
        int Heavier(int a, int b) => a < 0 || (b >= 0 && total[b] > total[a]) ? b : a;
        var last = -1;
        for (var i = 0; i < values.Count; i++)
        {
            before[i] = -1;
            for (var node = values[i]; node > 0; node -= node & -node)
                before[i] = Heavier(before[i], tree[node]);
            total[i] = weights[i] + (before[i] < 0 ? 0 : total[before[i]]);
            for (var node = values[i] + 1; node < tree.Length; node += node & -node)
                tree[node] = Heavier(tree[node], i);
            last = Heavier(last, i);
        }

        var members = new HashSet<int>();
        for (; last >= 0; last = before[last])
            members.Add(last);
        return members;
    }
}
