namespace HomeStage.Core.Routing;

/// <summary>The loop that is quickest to explain.</summary>
public static class ShortestLoop
{
    /// <summary>Searches by the number of links that leave a channel; steps within a channel count nothing.</summary>
    /// <remarks>A 0–1 breadth-first search from every stage that cannot be ordered and that a link from another stage
    /// of the loop enters; worst case stages × links, and only where there is a loop at all.</remarks>
    /// <returns>Stages along the loop, the first not repeated at the end; null where there is none.</returns>
    public static IReadOnlyList<int>? Find(int stageCount, IReadOnlyList<Link> links)
    {
        var ordered = StageOrder.Of(stageCount, links);
        if (ordered.Count == stageCount)
            return null;
        var blocked = Enumerable.Repeat(true, stageCount).ToArray();
        foreach (var stage in ordered)
            blocked[stage] = false;
        // What comes after a loop cannot be ordered either: such links lead to what is blocked.
        var inside = links.Where(l => blocked[l.From]).ToList();
        var after = Adjacency.Of(stageCount, inside);
        IReadOnlyList<int>? best = null;
        var bestCost = int.MaxValue;
        foreach (var start in inside.Where(l => Cost(l) == 1).Select(l => l.To).Distinct())
        {
            if (Around(start, after, bestCost) is not { } found || found.Cost >= bestCost)
                continue;
            (best, bestCost) = (found.Path, found.Cost);
            if (bestCost == 1)
                break;
        }

        return best;
    }

    private static int Cost(Link link) => link.Kind == LinkKind.Within ? 0 : 1;

    private static (IReadOnlyList<int> Path, int Cost)? Around(int start, Adjacency after, int limit)
    {
        var cost = new Dictionary<int, int> { [start] = 0 };
        var cameFrom = new Dictionary<int, int>();
        var queue = new LinkedList<int>([start]);
        var settled = new HashSet<int>();
        (int Last, int Cost)? closing = null;
        while (queue.First is { } head)
        {
            queue.RemoveFirst();
            var stage = head.Value;
            if (!settled.Add(stage) || cost[stage] >= Math.Min(limit, closing?.Cost ?? limit))
                continue;
            foreach (var link in after[stage])
            {
                var reached = cost[stage] + Cost(link);
                if (link.To == start)
                {
                    if (closing is null || reached < closing.Value.Cost)
                        closing = (stage, reached);
                }
                else if (!cost.TryGetValue(link.To, out var known) || reached < known)
                {
                    cost[link.To] = reached;
                    cameFrom[link.To] = stage;
                    if (Cost(link) == 0)
                        queue.AddFirst(link.To);
                    else
                        queue.AddLast(link.To);
                }
            }
        }

        return closing is { } end ? (Walk(start, end.Last, cameFrom), end.Cost) : null;
    }

    private static List<int> Walk(int start, int last, Dictionary<int, int> cameFrom)
    {
        var path = new List<int>();
        for (var stage = last; stage != start; stage = cameFrom[stage])
            path.Add(stage);
        path.Add(start);
        path.Reverse();
        return path;
    }
}
