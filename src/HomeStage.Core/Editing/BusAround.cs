using HomeStage.Core.Making;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts a bus around channels: they feed it, and it feeds what they all led to.</summary>
/// <param name="Bus">Id of the bus to be made; null for one made of its name.</param>
/// <remarks>A chosen channel that already stands under another chosen one stays there.</remarks>
public sealed record BusAround(Sequence<ChannelId> Channels, ChannelId? Bus, string Name) : ManyChannelsEdit
{
    public override bool ChangesRouting => true;

    protected override ManyResult Change(Template template)
    {
        if (Unknown(template, Channels) is { } unknown)
            return unknown;
        if (Bus is { } wanted && template.Channels.Contains(wanted))
            return new Refusal.ChannelExists(wanted);
        var chosen = Channels.ToHashSet();
        var outer = template.Channels.Where(c => chosen.Contains(c.Id) && !DestinationWay.Of(template, c).Any(chosen.Contains)).ToList();
        // Within a batch channels may stand in a ring for a while; then none of them is the outer one.
        if (outer.Count == 0)
            return new Refusal.ClosesLoop(Channels.Select(id => template.Channels[id].Name).ToSequence());
        if (outer.FirstOrDefault(c => c.Destination is null) is { } rootless)
            return new Refusal.WrongPlace(rootless.Name, "feeds no bus, so no bus can be put around it");
        var made = ChannelFactory.Bus(template, Name, Meeting(template, outer), outer);
        var bus = made with { Id = Bus ?? made.Id };
        var moved = outer.Aggregate(template, (t, c) => t.Replace(c with { Destination = bus.Id }));
        return moved with { Channels = moved.Channels.Insert(template.Channels.IndexOf(outer[0].Id), bus) };
    }

    /// <summary>The first channel that everything leads to.</summary>
    private static ChannelId? Meeting(Template template, List<Channel> channels)
    {
        var ways = channels.Skip(1).Select(c => DestinationWay.Of(template, c).ToHashSet()).ToList();
        return DestinationWay.Of(template, channels[0]).Where(id => ways.TrueForAll(way => way.Contains(id))).Select(id => (ChannelId?)id).FirstOrDefault()
            ?? channels[0].Destination;
    }
}
