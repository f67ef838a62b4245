namespace HomeStage.Core.Kits;

/// <summary>The order of families in drum and percussion kits, and how far apart two pieces stand in the tree that it makes.</summary>
/// <remarks>A family is a path, "drums/toms"; the pieces hang below its last part. Common practice: drums from the kick outwards,
/// then what hears the whole set, then percussion.</remarks>
public static class FamilyTree
{
    private static readonly string[] Ordered =
    [
        "drums", "drums/kick", "drums/deep", "drums/snare", "drums/side", "drums/frame", "drums/hands", "drums/toms", "drums/hats", "drums/cymbals", "drums/overheads", "drums/rooms",
        "percussion", "percussion/hands", "percussion/skins", "percussion/shakers", "percussion/wood", "percussion/metal",
    ];

    private static readonly Dictionary<string, int> Ranks = Ordered.Select((path, rank) => (path, rank)).ToDictionary(p => p.path, p => p.rank, StringComparer.OrdinalIgnoreCase);

    /// <summary>The parts of a path, without empty ones.</summary>
    public static IReadOnlyList<string> Parts(string family) => family.Split('/', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);

    /// <summary>A part of a path as people say it: "Toms".</summary>
    /// <param name="part">At least one character.</param>
    public static string Spoken(string part) => Capitals.AtFirst(part);

    /// <summary>Pieces as they stand in the tree: known families in their order, others after them as they come, and last what has none; within a family as they come.</summary>
    /// <returns>Indices into <paramref name="families"/>.</returns>
    public static IReadOnlyList<int> Order(IReadOnlyList<string> families)
    {
        var seen = new Dictionary<string, int>(Ranks, StringComparer.OrdinalIgnoreCase);
        int[] KeyOf(string family)
        {
            var parts = Parts(family);
            return parts.Count == 0 ? [int.MaxValue] : [.. Enumerable.Range(1, parts.Count).Select(n => RankOf(string.Join('/', parts.Take(n))))];
        }

        int RankOf(string path) => seen.TryGetValue(path, out var rank) ? rank : seen[path] = seen.Count;
        var keys = families.Select(KeyOf).ToArray();
        return [.. Enumerable.Range(0, families.Count).Order(Comparer<int>.Create((a, b) => Compare(keys[a], keys[b]) is not 0 and var by ? by : a.CompareTo(b)))];
    }

    /// <returns>The number of edges between two pieces of these families: 2 within one family.</returns>
    public static int Distance(string one, string other)
    {
        var (a, b) = (Parts(one), Parts(other));
        return a.Count + b.Count + 2 - 2 * Shared(a, b);
    }

    /// <returns>The lowest family that holds all of these; empty where only the whole kit does.</returns>
    public static IReadOnlyList<string> Lowest(IEnumerable<string> families)
    {
        IReadOnlyList<string>? lowest = null;
        foreach (var family in families)
            lowest = lowest is null ? Parts(family) : [.. lowest.Take(Shared(lowest, Parts(family)))];
        return lowest ?? [];
    }

    private static int Shared(IReadOnlyList<string> a, IReadOnlyList<string> b)
    {
        var shared = 0;
        while (shared < a.Count && shared < b.Count && a[shared].Equals(b[shared], StringComparison.OrdinalIgnoreCase))
            shared++;
        return shared;
    }

    private static int Compare(int[] a, int[] b)
    {
        for (var i = 0; i < Math.Min(a.Length, b.Length); i++)
            if (a[i] != b[i])
                return a[i].CompareTo(b[i]);
        return a.Length.CompareTo(b.Length);
    }
}
