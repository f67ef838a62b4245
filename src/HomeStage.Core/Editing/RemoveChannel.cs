using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes a channel away. What fed it feeds what it fed; sends, feeds, splits and notes that need it go with it.</summary>
public sealed record RemoveChannel(ChannelId Channel) : Edit
{
    public override bool ChangesRouting => true;

    public override EditResult ApplyTo(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var channel))
            return new Refusal.UnknownChannel(Channel);
        if (Capabilities.Of(channel.Kind).StandsOnce)
            return new Refusal.WrongPlace(channel.Name, "is the last sum and stays");
        var gone = template.Channels
            .Where(c => c.Id == Channel || (c.Source is OutputSource split && split.Instrument == Channel))
            .Select(c => c.Id).ToHashSet();
        var kept = template.Channels.Where(c => !gone.Contains(c.Id)).Select(c => Released(c, channel, gone)).ToList();
        var lost = template.Channels
            .Select((c, place) => (Channel: c, Place: place))
            .Where(x => gone.Contains(x.Channel.Id))
            .Select(x => new PlacedChannel(x.Channel, x.Place));
        var changed = kept.Where(c => !ReferenceEquals(c, template.Channels[c.Id])).Select(c => new PlacedChannel(template.Channels[c.Id], null));
        return new EditResult.Applied(
            template with { Channels = ChannelList.From(kept) },
            new RestoreChannels(lost.Concat(changed).ToSequence(), []));
    }

    /// <summary>Within a batch a channel may feed itself for a while; then nothing is behind it.</summary>
    private static ChannelId? Past(Channel removed) => removed.Destination == removed.Id ? null : removed.Destination;

    private static Channel Released(Channel other, Channel removed, HashSet<ChannelId> gone) => ChannelReferences.Redirected(other, (kind, to) =>
        kind == ReferenceKind.Destination && to == removed.Id ? Past(removed)
        // A curve may be loose: the send that it moves may come back.
        : kind == ReferenceKind.CurvedSend || !gone.Contains(to) ? to
        : null);
}
