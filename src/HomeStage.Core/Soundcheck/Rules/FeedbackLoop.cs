using HomeStage.Core.Editing;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A channel that comes back to itself. Edits refuse to make one; a document made elsewhere may hold one.</summary>
public sealed class FeedbackLoop : ISoundcheckRule
{
    public string Id => "feedback-loop";

    public string Group => "Routing";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var graph = new SignalGraph(template);
        if (ShortestLoop.Find(graph.Stages.Count, graph.Links) is not { } loop)
            yield break;
        var steps = loop.Zip(loop.Skip(1).Append(loop[0])).ToList();
        var links = steps.Select(s => graph.Links.First(l => l.From == s.First && l.To == s.Second)).Where(l => l.Kind != LinkKind.Within).ToList();
        var channels = links.Select(l => template.Channels[graph.Stages[l.From].Channel]).Distinct().ToList();
        yield return new(Id, Severity.Blocker, channels.Select(c => c.Id).ToSequence(),
            $"{string.Join(" → ", channels.Select(c => c.Name).Append(channels[0].Name))}: this feeds back into itself.",
            links.Select(l => Cut(template, graph, l)).OfType<Mend>().ToSequence());
    }

    private static Mend? Cut(Template template, SignalGraph graph, Link link)
    {
        var (from, to) = (template.Channels[graph.Stages[link.From].Channel], template.Channels[graph.Stages[link.To].Channel]);
        return link.Kind switch
        {
            LinkKind.Send => new($"Take away the send from {from.Name} to {to.Name}", [new RemoveSend(from.Id, to.Id)]),
            LinkKind.Key => new($"Take away the feed from {from.Name} to {to.Name}", [new RemoveFeed(from.Id, to.Id, to.Inserts[graph.Stages[link.To].Insert].Id)]),
            LinkKind.Destination => new($"Let {from.Name} feed {template.Main.Name}", [new MoveChannel(from.Id, template.Main.Id, null)]),
            _ => null,
        };
    }
}
