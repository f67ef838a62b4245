using HomeStage.Core.Templates;

namespace HomeStage.Core.Routing;

/// <summary>No channel may come back to itself: not by destinations, sends, feeds or instrument outputs.</summary>
public static class LoopRule
{
    /// <returns>A shortest loop by the names of its channels, the first repeated at the end; null where there is none.</returns>
    public static Refusal? Check(Template template)
    {
        var graph = new SignalGraph(template);
        if (ShortestLoop.Find(graph.Stages.Count, graph.Links) is not { } loop)
            return null;
        var channels = new List<int>();
        foreach (var stage in loop)
            if (channels.Count == 0 || channels[^1] != graph.Stages[stage].Channel)
                channels.Add(graph.Stages[stage].Channel);
        if (channels.Count > 1 && channels[0] == channels[^1])
            channels.RemoveAt(channels.Count - 1);
        channels.Add(channels[0]);
        return new Refusal.ClosesLoop(channels.Select(c => template.Channels[c].Name).ToSequence());
    }
}
