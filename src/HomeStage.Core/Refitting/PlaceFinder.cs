using HomeStage.Core.Making;
using HomeStage.Core.Roles;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Refitting;

/// <summary>A place for a channel in a plan.</summary>
/// <param name="Sum">The plan's bus or main.</param>
/// <param name="Like">The plan's channel that it is like; null where only the family tells.</param>
internal sealed record FoundPlace(ChannelId Sum, Channel? Like, string Why);

/// <summary>Finds for each channel of an old template the bus of the plan that it belongs to: by name, by role, by what it fed, by family.</summary>
internal sealed class PlaceFinder(Template old, Template plan, IReadOnlyDictionary<ChannelId, (ChannelId Old, string Why)> matched)
{
    private readonly List<Channel> _members = [.. plan.Channels.Where(IsPlaced)];
    private readonly Dictionary<ChannelId, ChannelId> _planOf = matched.ToDictionary(m => m.Value.Old, m => m.Key);

    /// <summary>Whether a channel is one that a plan gives a place: it goes into a sum, and is none.</summary>
    public static bool IsPlaced(Channel channel) => Capabilities.Of(channel.Kind).FeedsASum && !SumMatch.IsSum(channel);

    /// <returns>Null where nothing tells.</returns>
    public FoundPlace? Of(Channel asFound)
    {
        // A take or a print belongs where the thing itself does.
        var channel = asFound.Kind == ChannelKind.Audio ? asFound with { Name = TakeName.Read(asFound.Name).Stem } : asFound;
        if (_members.Find(m => m.Name.Equals(channel.Name, StringComparison.OrdinalIgnoreCase)) is { } called)
            return new(called.Destination!.Value, called, $"{called.Name} goes there");
        var guess = ChannelRole.Of(channel);
        var fed = Fed(channel);
        if (OfRole(guess.Role, fed) is { } alike)
            return new(alike.Destination!.Value, alike, $"{SumMatch.Spoken(guess.Role)}, as {alike.Name}");
        // A mix bus takes everything: what went into it has no place by that.
        if (fed is { } sum && sum != plan.Main.Id && sum != ChannelFactory.MixBus(plan))
            return new(sum, null, $"it went to {old.Channels[matched[sum].Old].Name}");
        return OfFamily(guess.Family) is { } bus ? new(bus, null, $"of the family {guess.Family}") : null;
    }

    /// <summary>The nearest sum on its way that stands for one of the plan's.</summary>
    private ChannelId? Fed(Channel channel) => DestinationWay.Of(old, channel).Where(_planOf.ContainsKey).Select(id => (ChannelId?)_planOf[id]).FirstOrDefault();

    /// <summary>The plan's channel of that role; of several the one that goes where this one went, else the one whose bus has most of them, else the first.</summary>
    private Channel? OfRole(string role, ChannelId? fed) => role == RoleNames.Unknown ? null : _members.Where(m => ChannelRole.Of(m).Role == role)
        .GroupBy(m => m.Destination!.Value)
        .OrderByDescending(g => fed is { } sum && (g.Key == sum || DestinationWay.LeadsTo(plan, plan.Channels[g.Key], sum)))
        .ThenByDescending(g => g.Count())
        .ThenBy(g => plan.Channels.IndexOf(g.Key))
        .FirstOrDefault()?.First();

    /// <summary>The one bus of a family; of several the one that they all go to, where that is no sum of everything; else the one that has most of it.</summary>
    private ChannelId? OfFamily(string family)
    {
        if (family.Length == 0)
            return null;
        var buses = plan.Channels.Where(c => c.Kind == ChannelKind.Bus && c.Id != ChannelFactory.MixBus(plan) && HasFamily(c, family)).ToList();
        if (buses.Count == 0)
            return null;
        var meeting = DestinationWay.Of(plan, buses[0]).Prepend(buses[0].Id).Where(id => buses.TrueForAll(b => b.Id == id || DestinationWay.LeadsTo(plan, b, id))).Select(id => (ChannelId?)id).FirstOrDefault();
        return meeting is { } all && all != plan.Main.Id && all != ChannelFactory.MixBus(plan) ? all
            : buses.OrderByDescending(b => _members.Count(m => m.Destination == b.Id && ChannelRole.Of(m).Family == family)).First().Id;
    }

    private bool HasFamily(Channel bus, string family)
    {
        var own = ChannelRole.Of(bus).Family;
        return own == family || (own.Length == 0 && _members.Where(m => m.Destination == bus.Id).ToList() is { Count: > 0 } members && members.Count(m => ChannelRole.Of(m).Family == family) * 2 > members.Count);
    }
}
