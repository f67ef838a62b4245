using FsCheck.Xunit;
using HomeStage.Core.Routing;
using QuikGraph;
using QuikGraph.Algorithms;

namespace HomeStage.Core.Tests.Routing;

/// <summary>The graph against QuikGraph, on graphs by chance.</summary>
public class StageOrderTests
{
    [Property(MaxTest = 500)]
    public void Of_AnyGraph_OrdersAllStagesExactlyWhereQuikGraphFindsNoCycle(int seed)
    {
        var (stages, links) = Chance(seed);

        Assert.Equal(Reference(stages, links).IsDirectedAcyclicGraph(), StageOrder.Of(stages, links).Count == stages);
    }

    [Property(MaxTest = 300)]
    public void Of_AGraphWithoutCycle_PutsEveryStageAfterAllThatFeedIt(int seed)
    {
        var (stages, chance) = Chance(seed);
        var links = chance.Where(l => l.From < l.To).ToList();

        var order = StageOrder.Of(stages, links);

        var place = order.Select((stage, i) => (stage, i)).ToDictionary(x => x.stage, x => x.i);
        Assert.All(links, l => Assert.True(place[l.From] < place[l.To]));
        Assert.Equal(Reference(stages, links).TopologicalSort().Order(), order.Order());
    }

    [Property(MaxTest = 100)]
    public void Of_TheSameLinksInAnotherOrder_GivesTheSameOrder(int seed)
    {
        var (stages, chance) = Chance(seed);
        var links = chance.Where(l => l.From < l.To).ToList();

        Assert.Equal(StageOrder.Of(stages, links), StageOrder.Of(stages, [.. links.AsEnumerable().Reverse()]));
    }

    [Property(MaxTest = 400)]
    public void ShortestLoop_IsALoopOfTheGraph_AsShortAsFloydAndWarshallFind(int seed)
    {
        var (stages, links) = Chance(seed);

        var loop = ShortestLoop.Find(stages, links);

        var shortest = ShortestCycle(stages, links);
        if (shortest is null)
        {
            Assert.Null(loop);
            return;
        }

        Assert.NotNull(loop);
        var steps = loop.Zip([.. loop.Skip(1), loop[0]]).ToList();
        Assert.All(steps, s => Assert.Contains(links, l => l.From == s.First && l.To == s.Second));
        Assert.Equal(shortest, steps.Sum(s => links.Where(l => l.From == s.First && l.To == s.Second).Min(Cost)));
        Assert.Single(StrongComponents(stages, links), c => loop.All(c.Contains));
    }

    // Within links lead upwards only, as in a channel, so every cycle leaves a channel at least once.
    private static (int Stages, List<Link> Links) Chance(int seed)
    {
        var random = new Random(seed);
        var stages = 2 + random.Next(14);
        var links = new List<Link>();
        for (var i = random.Next(2 * stages); i >= 0; i--)
        {
            var (from, to) = (random.Next(stages), random.Next(stages));
            var within = from < to && random.Next(3) == 0;
            links.Add(new(from, to, within ? LinkKind.Within : LinkKind.Send, default));
        }

        return (stages, links);
    }

    private static int Cost(Link link) => link.Kind == LinkKind.Within ? 0 : 1;

    private static AdjacencyGraph<int, Edge<int>> Reference(int stages, List<Link> links)
    {
        var graph = new AdjacencyGraph<int, Edge<int>>();
        graph.AddVertexRange(Enumerable.Range(0, stages));
        graph.AddEdgeRange(links.Select(l => new Edge<int>(l.From, l.To)));
        return graph;
    }

    private static List<HashSet<int>> StrongComponents(int stages, List<Link> links)
    {
        var components = new Dictionary<int, int>();
        Reference(stages, links).StronglyConnectedComponents(components);
        return [.. components.GroupBy(c => c.Value).Select(g => g.Select(c => c.Key).ToHashSet())];
    }

    private static int? ShortestCycle(int stages, List<Link> links)
    {
        const int Never = 1 << 20;
        var cost = new int[stages, stages];
        for (var a = 0; a < stages; a++)
            for (var b = 0; b < stages; b++)
                cost[a, b] = links.Where(l => l.From == a && l.To == b).Select(Cost).DefaultIfEmpty(Never).Min();
        for (var via = 0; via < stages; via++)
            for (var a = 0; a < stages; a++)
                for (var b = 0; b < stages; b++)
                    cost[a, b] = Math.Min(cost[a, b], cost[a, via] + cost[via, b]);
        var shortest = Enumerable.Range(0, stages).Min(s => cost[s, s]);
        return shortest < Never ? shortest : null;
    }
}
