namespace HomeStage.Core.Routing;

/// <summary>What channels lead to.</summary>
/// <param name="graph">Of the whole template, so that what is closed or in the wings leads on all the same.</param>
public sealed class Downstream(SignalGraph graph)
{
    private readonly Adjacency _leaving = Adjacency.Of(graph.Stages.Count, graph.Links);

    /// <param name="from">A channel of the graph's template.</param>
    /// <returns>The channel itself and all that its input reaches, in the template's order: whoever of these sent to it would close a loop (see <see cref="LoopRule"/>).</returns>
    public IReadOnlyList<ChannelId> Of(ChannelId from)
    {
        var seen = new HashSet<int> { graph.InputOf(graph.Template.Channels.IndexOf(from)) };
        var open = new Queue<int>(seen);
        while (open.TryDequeue(out var stage))
            foreach (var link in _leaving[stage])
                if (seen.Add(link.To))
                    open.Enqueue(link.To);
        var reached = seen.Select(s => graph.Stages[s].Channel).ToHashSet();
        return [.. graph.Template.Channels.Where((_, i) => reached.Contains(i)).Select(c => c.Id)];
    }
}
