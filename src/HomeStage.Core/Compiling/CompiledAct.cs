using HomeStage.Core.Playing;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Compiling;

/// <summary>A template as it runs in one act: its graph, the order of the graph's stages, who waits for whom, which notes are played.</summary>
public sealed class CompiledAct
{
    private readonly Lazy<Movement> _movement;
    private readonly Lazy<DelayCompensation> _compensation;

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
            _compensation = before._compensation.IsValueCreated && before._compensation.Value.Fits(before.Template, template, act)
                ? before._compensation
                : NewCompensation();
            return;
        }

        Graph = new(template, act);
        Order = StageOrder.Of(Graph);
        Entering = Enumerable.Range(0, Graph.Links.Count).ToLookup(l => Graph.Links[l].To);
        _compensation = NewCompensation();
    }

    public Template Template { get; }

    /// <summary>The act's id.</summary>
    public string Act { get; }

    public SignalGraph Graph { get; }

    /// <summary>Every stage after all that feed it.</summary>
    public IReadOnlyList<int> Order { get; }

    /// <summary>By stage: the indexes of the links that enter it.</summary>
    public ILookup<int, int> Entering { get; }

    public DelayCompensation Compensation => _compensation.Value;

    public NoteRoute Notes { get; }

    public Movement Movement => _movement.Value;

    private Lazy<DelayCompensation> NewCompensation()
    {
        var (graph, order, act) = (Graph, Order, Act);
        return new(() => DelayCompensation.Of(graph, order, act));
    }
}
