using HomeStage.Core.Catalogue;

namespace HomeStage.Core.Routing;

/// <summary>When each stage's signal is late, and by how much every link must wait so that paths meet in time.</summary>
/// <remarks>Signals meet at sums and at inserts with a key; there each path is padded to the longest. The outputs of
/// main and direct channels are padded to the longest of them.</remarks>
public sealed class DelayCompensation
{
    private DelayCompensation(int[] lateness, int[] padding, int totalFrames)
    {
        LatenessFrames = lateness;
        PaddingFrames = padding;
        TotalFrames = totalFrames;
    }

    /// <summary>By stage: frames by which its output lags the players and inputs.</summary>
    public IReadOnlyList<int> LatenessFrames { get; }

    /// <summary>By link: frames that it waits.</summary>
    public IReadOnlyList<int> PaddingFrames { get; }

    /// <summary>Frames by which the outputs lag the players and inputs.</summary>
    public int TotalFrames { get; }

    /// <param name="order">A full order of the graph's stages.</param>
    /// <param name="act">The act by which parked inserts are known; they add no latency.</param>
    public static DelayCompensation Of(SignalGraph graph, IReadOnlyList<int> order, string act)
    {
        var entering = Adjacency.Of(graph.Stages.Count, graph.Links, entering: true);
        var late = new int[graph.Stages.Count];
        foreach (var stage in order)
            late[stage] = entering[stage].Select(l => late[l.From]).DefaultIfEmpty(0).Max() + LatencyOf(graph, stage, act);
        var padding = graph.Links
            .Select(l => late[l.To] - LatencyOf(graph, l.To, act) - late[l.From])
            .ToArray();
        var outputs = Enumerable.Range(0, graph.Template.Channels.Count)
            .Where(c => graph.Runs(c) && graph.Template.Channels[c].OutputPair is not null)
            .Select(c => late[graph.PostOf(c)]);
        return new(late, padding, outputs.DefaultIfEmpty(0).Max());
    }

    private static int LatencyOf(SignalGraph graph, int index, string act)
    {
        var stage = graph.Stages[index];
        if (stage.Kind != StageKind.Insert)
            return 0;
        var insert = graph.Template.Channels[stage.Channel].Inserts[stage.Insert];
        return insert.IsLiveIn(act) && ProcessorCatalogue.Find(insert.Processor) is { } kind
            ? kind.LatencyFrames(insert.Settings, graph.Template.SampleRateHz)
            : 0;
    }
}
