using HomeStage.Core.Playing;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Compiling;

/// <summary>A template as it runs in one act: its graph, the order of the graph's stages, who waits for whom, which notes are played.</summary>
public sealed class CompiledAct
{
    private readonly Lazy<Movement> _movement;
    private readonly Lazy<DelayCompensation> _compensation;
    private readonly Lazy<DelayCompensation> _heard;

    /// <param name="before">The same act of an earlier state, or null.</param>
    internal CompiledAct(Template template, Lazy<Movement> movement, string act, CompiledAct? before)
    {
        _movement = movement;
        Template = template;
        Act = act;
        Notes = before is null ? new(template, act) : before.Notes.On(template);
        if (before?.Graph.On(template) is { } graph)
        {
            (Graph, Order, Entering) = (graph, before.Order, before.Entering);
            _compensation = Still(before, before._compensation, Latencies.Declared);
            _heard = Still(before, before._heard, Latencies.Heard);
            return;
        }

        Graph = new(template, act);
        Order = StageOrder.Of(Graph);
        Entering = Enumerable.Range(0, Graph.Links.Count).ToLookup(l => Graph.Links[l].To);
        _compensation = NewCompensation(Latencies.Declared);
        _heard = NewCompensation(Latencies.Heard);
    }

    public Template Template { get; }

    /// <summary>The act's id.</summary>
    public string Act { get; }

    public SignalGraph Graph { get; }

    /// <summary>Every stage after all that feed it.</summary>
    public IReadOnlyList<int> Order { get; }

    /// <summary>By stage: the indexes of the links that enter it.</summary>
    public ILookup<int, int> Entering { get; }

    /// <summary>By the latencies that everything declares.</summary>
    public DelayCompensation Compensation => _compensation.Value;

    /// <summary>By the latencies that are heard here; sound goes by it.</summary>
    public DelayCompensation HeardCompensation => _heard.Value;

    public NoteRoute Notes { get; }

    public Movement Movement => _movement.Value;

    /// <returns>The stages and all that lead to them, whether they sound or not.</returns>
    public HashSet<int> Upstream(IEnumerable<int> stages)
    {
        var found = stages.ToHashSet();
        var open = new Stack<int>(found);
        while (open.TryPop(out var next))
            foreach (var link in Entering[next])
                if (found.Add(Graph.Links[link].From))
                    open.Push(Graph.Links[link].From);
        return found;
    }

    private Lazy<DelayCompensation> Still(CompiledAct before, Lazy<DelayCompensation> known, Latencies which) =>
        known.IsValueCreated && known.Value.Fits(before.Template, Template, Act, which) ? known : NewCompensation(which);

    private Lazy<DelayCompensation> NewCompensation(Latencies which)
    {
        var (graph, order, act) = (Graph, Order, Act);
        return new(() => DelayCompensation.Of(graph, order, act, which));
    }
}
