using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>Where a new channel is proposed to go.</summary>
public static class NewPlace
{
    /// <param name="chosen">What the person has chosen; null for nothing.</param>
    /// <returns>The sum that it would feed: a part goes into the bus that is chosen, another bus goes beside it; null for kinds that feed none.</returns>
    public static ChannelId? Of(Template template, ChannelKind kind, ChannelId? chosen)
    {
        if (!Capabilities.Of(kind).FeedsASum)
            return null;
        if (chosen is { } id && template.Channels.TryGet(id, out var channel))
        {
            var isTop = channel.Destination is null;
            if (Capabilities.Of(channel.Kind).Sums && (kind != ChannelKind.Bus || isTop))
                return channel.Id;
            if (channel.Destination is { } beside)
                return beside;
        }

        return ChannelFactory.MixBus(template);
    }
}
