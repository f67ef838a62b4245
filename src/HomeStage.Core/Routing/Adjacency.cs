namespace HomeStage.Core.Routing;

/// <summary>The links that leave, or that enter, each stage, in one array sorted by stage.</summary>
internal sealed class Adjacency
{
    private readonly Link[] _links;
    private readonly int[] _starts;

    private Adjacency(Link[] links, int[] starts) => (_links, _starts) = (links, starts);

    /// <summary>In the order in which they were given.</summary>
    public ArraySegment<Link> this[int stage] => new(_links, _starts[stage], _starts[stage + 1] - _starts[stage]);

    /// <param name="stageCount">Links name stages in [0, stageCount).</param>
    public static Adjacency Of(int stageCount, IReadOnlyList<Link> links, bool entering = false)
    {
        var starts = new int[stageCount + 1];
        foreach (var link in links)
            starts[(entering ? link.To : link.From) + 1]++;
        for (var stage = 0; stage < stageCount; stage++)
            starts[stage + 1] += starts[stage];
        var next = starts.ToArray();
        var sorted = new Link[links.Count];
        foreach (var link in links)
            sorted[next[entering ? link.To : link.From]++] = link;
        return new(sorted, starts);
    }
}
