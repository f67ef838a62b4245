namespace HomeStage.Core.Routing;

/// <summary>An order in which every stage stands after all that feed it.</summary>
public static class StageOrder
{
    /// <summary>Kahn's algorithm, always taking the free stage of the lowest index, so that the order is stable.</summary>
    /// <returns>Indexes of stages. Shorter than the graph where a loop keeps some from ever being free.</returns>
    public static IReadOnlyList<int> Of(SignalGraph graph) => Of(graph.Stages.Count, graph.Links);

    /// <param name="stageCount">Links name stages in [0, stageCount).</param>
    public static IReadOnlyList<int> Of(int stageCount, IReadOnlyList<Link> links)
    {
        var waiting = new int[stageCount];
        var after = Adjacency.Of(stageCount, links);
        foreach (var link in links)
            waiting[link.To]++;
        var free = new PriorityQueue<int, int>();
        for (var stage = 0; stage < stageCount; stage++)
            if (waiting[stage] == 0)
                free.Enqueue(stage, stage);
        var order = new List<int>(stageCount);
        while (free.TryDequeue(out var stage, out _))
        {
            order.Add(stage);
            foreach (var link in after[stage])
                if (--waiting[link.To] == 0)
                    free.Enqueue(link.To, link.To);
        }

        return order;
    }
}
