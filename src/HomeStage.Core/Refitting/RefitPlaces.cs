using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Refitting;

/// <summary>Where everything of an old template goes: sums that stand for the plan's, and the plan's sum for each of the others that has a place.</summary>
internal sealed class RefitPlaces
{
    private readonly Template _old;
    private readonly Template _plan;

    public RefitPlaces(Template old, Template plan, Map<string> said)
    {
        (_old, _plan) = (old, plan);
        Matched = SumMatch.Of(old, plan);
        var finder = new PlaceFinder(old, plan, Matched);
        foreach (var channel in old.Channels.Where(PlaceFinder.IsPlaced))
            if ((said.TryGetValue(channel.Id.Value, out var wish) ? Said(wish) : finder.Of(channel)) is { } place)
                Found[channel.Id] = place;
        StandingFor = Matched.Values.Select(m => m.Old).ToHashSet();
        MatchByContent(said);
        // What is deepest is placed first: a bus goes where what is in it goes.
        foreach (var bus in old.Channels.Where(c => SumMatch.IsSum(c) && !StandingFor.Contains(c.Id)).OrderByDescending(c => DestinationWay.Of(old, c).Count()))
            if ((said.TryGetValue(bus.Id.Value, out var wish) ? Said(wish) : bus.Kind == ChannelKind.Bus ? OfMost(bus) : OfReturns()) is { } place)
                Found[bus.Id] = place;
    }

    /// <summary>By id of the plan's sum the old one that stands for it.</summary>
    public Dictionary<ChannelId, (ChannelId Old, string Why)> Matched { get; }

    /// <summary>Old sums that stand for one of the plan's.</summary>
    public HashSet<ChannelId> StandingFor { get; }

    public Dictionary<ChannelId, FoundPlace> Found { get; } = [];

    /// <summary>Whether a channel stays under the bus that it is under, since that goes where it would go.</summary>
    public bool GoesAlong(Channel channel, ChannelId sum) =>
        channel.Destination is { } under && !StandingFor.Contains(under) && Found.TryGetValue(under, out var its) && its.Sum == sum;

    /// <summary>A bus of which more than half goes to one of the plan's for which nothing stands yet stands for it; of several the one with most.</summary>
    private void MatchByContent(Map<string> said)
    {
        var able = _old.Channels.Where(c => c.Kind == ChannelKind.Bus && !StandingFor.Contains(c.Id) && !said.ContainsKey(c.Id.Value)).Select(c => (Bus: c, Place: OfMost(c)))
            .Where(x => x.Place is { Sum: var sum } && !Matched.ContainsKey(sum) && _plan.Channels[sum].Kind == ChannelKind.Bus);
        foreach (var best in able.GroupBy(x => x.Place!.Sum).Select(g => g.MaxBy(x => _old.Channels.Count(c => c.Destination == x.Bus.Id))).ToList())
        {
            Matched[best.Place!.Sum] = (best.Bus.Id, best.Place.Why);
            StandingFor.Add(best.Bus.Id);
        }
    }

    private FoundPlace? Said(string wish) => Identifier.IsValid(wish) && _plan.Channels.TryGet(new(wish), out var sum) && Capabilities.Of(sum.Kind).Sums ? new(sum.Id, null, "as you said") : null;

    /// <summary>A bus that the plan does not have goes where more than half of what is in it goes, and keeps it together.</summary>
    private FoundPlace? OfMost(Channel bus)
    {
        var into = _old.Channels.Where(c => c.Destination == bus.Id).ToList();
        return into.Where(c => Found.ContainsKey(c.Id)).GroupBy(c => Found[c.Id].Sum).FirstOrDefault(g => g.Count() * 2 > into.Count) is { } most
            ? new(most.Key, null, most.Count() == 1 ? $"{most.First().Name}, which is in it, belongs there" : $"{most.Count()} of the {into.Count} in it belong there")
            : null;
    }

    private FoundPlace? OfReturns() => _plan.Channels.Where(c => c is { Kind: ChannelKind.Return, Destination: not null }).GroupBy(c => c.Destination!.Value).MaxBy(g => g.Count()) is { } usual
        ? new(usual.Key, null, "where the plan’s returns go")
        : null;
}
