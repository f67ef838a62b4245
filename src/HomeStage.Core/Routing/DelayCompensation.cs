using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Routing;

/// <summary>When each stage's signal is late, and by how much every link must wait so that paths meet in time.</summary>
/// <remarks>Signals meet at sums and at inserts with a key; there each path is padded to the longest. The outputs of
/// main and direct channels are padded to the longest of them.</remarks>
public sealed class DelayCompensation
{
    private DelayCompensation(int[] own, int[] lateness, int[] padding, int totalFrames)
    {
        OwnFrames = own;
        LatenessFrames = lateness;
        PaddingFrames = padding;
        TotalFrames = totalFrames;
    }

    /// <summary>By stage: frames by which it is later than what enters it, an instrument than the notes that it is given.</summary>
    public IReadOnlyList<int> OwnFrames { get; }

    /// <summary>By stage: frames by which its output lags the players and inputs.</summary>
    public IReadOnlyList<int> LatenessFrames { get; }

    /// <summary>By link: frames that it waits.</summary>
    public IReadOnlyList<int> PaddingFrames { get; }

    /// <summary>Frames by which the outputs lag the players and inputs.</summary>
    public int TotalFrames { get; }

    /// <param name="order">A full order of the graph's stages.</param>
    /// <param name="act">The act by which parked inserts are known; they add no latency.</param>
    /// <param name="which">Whose latencies count.</param>
    public static DelayCompensation Of(SignalGraph graph, IReadOnlyList<int> order, string act, Latencies which = Latencies.Declared)
    {
        var entering = Adjacency.Of(graph.Stages.Count, graph.Links, entering: true);
        var own = Enumerable.Range(0, graph.Stages.Count).Select(s => LatencyOf(graph, s, act, which)).ToArray();
        var late = new int[graph.Stages.Count];
        foreach (var stage in order)
            late[stage] = entering[stage].Select(l => late[l.From]).DefaultIfEmpty(0).Max() + own[stage];
        var padding = graph.Links.Select(l => late[l.To] - own[l.To] - late[l.From]).ToArray();
        var outputs = Enumerable.Range(0, graph.Template.Channels.Count)
            .Where(c => graph.Runs(c) && graph.Template.Channels[c].OutputPair is not null)
            .Select(c => late[graph.PostOf(c)]);
        return new(own, late, padding, outputs.Append(0).Max());
    }

    /// <summary>Whether it holds over another template, too, whose graph is the same.</summary>
    /// <param name="of">The template that it was worked out for.</param>
    /// <param name="which">Whose latencies count in it.</param>
    public bool Fits(Template of, Template other, string act, Latencies which) =>
        of.SampleRateHz == other.SampleRateHz
        && of.Channels.Zip(other.Channels).All(x =>
            (x.First.OutputPair is null) == (x.Second.OutputPair is null)
            && (x.First.Inserts.Equals(x.Second.Inserts)
                || x.First.Inserts.Zip(x.Second.Inserts).All(i => LatencyOf(i.First, of, act, which) == LatencyOf(i.Second, other, act, which)))
            && (ReferenceEquals(x.First.Source, x.Second.Source) || LatencyOf(x.First, of) == LatencyOf(x.Second, other)));

    private static int LatencyOf(SignalGraph graph, int index, string act, Latencies which)
    {
        var stage = graph.Stages[index];
        var channel = graph.Template.Channels[stage.Channel];
        return stage.Kind switch
        {
            StageKind.Insert => LatencyOf(channel.Inserts[stage.Insert], graph.Template, act, which),
            StageKind.Player => LatencyOf(channel, graph.Template),
            _ => 0,
        };
    }

    private static int LatencyOf(Insert insert, Template template, string act, Latencies which) =>
        !insert.IsLiveIn(template, act) ? 0 : which == Latencies.Declared ? insert.LatencyFrames(template.SampleRateHz) : insert.HeardLatencyFrames(template.SampleRateHz);

    private static int LatencyOf(Channel channel, Template template) => channel.Source is InstrumentSource played ? played.LatencyFrames(template.SampleRateHz) : 0;
}

/// <summary>Whose latencies count.</summary>
public enum Latencies
{
    /// <summary>What every device says of itself, as it will be in a workstation.</summary>
    Declared,

    /// <summary>What is heard here, where a stand-in may be later than its device.</summary>
    Heard,
}
