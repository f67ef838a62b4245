namespace HomeStage.Core.Templates.Comparing;

/// <summary>The longest rising subsequence, by patience sorting (M. L. Fredman, 1975).</summary>
internal static class LongestRise
{
    /// <param name="values">All different.</param>
    /// <returns>The places of its members.</returns>
    public static HashSet<int> Of(IReadOnlyList<int> values)
    {
        // By length − 1: the place of the smallest value that ends a rise of that length.
        var ends = new List<int>();
        var before = new int[values.Count];
        for (var i = 0; i < values.Count; i++)
        {
            var low = ends.FindIndex(e => values[e] >= values[i]) is var found and >= 0 ? found : ends.Count;
            before[i] = low > 0 ? ends[low - 1] : -1;
            if (low == ends.Count)
                ends.Add(i);
            else
                ends[low] = i;
        }

        var members = new HashSet<int>();
        for (var i = ends.Count > 0 ? ends[^1] : -1; i >= 0; i = before[i])
            members.Add(i);
        return members;
    }
}
