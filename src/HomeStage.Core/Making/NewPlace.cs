using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>Where a new channel is proposed to go.</summary>
public static class NewPlace
{
    /// <param name="chosen">What the person has chosen; null for nothing.</param>
    /// <returns>The sum that it would feed: a part goes into the bus that is chosen, another bus goes beside it, a return goes where returns
    /// meet; null for kinds that feed none.</returns>
    public static ChannelId? Of(Template template, ChannelKind kind, ChannelId? chosen)
    {
        if (!Capabilities.Of(kind).FeedsASum)
            return null;
        if (kind == ChannelKind.Return)
            return ForReturns(template);
        if (chosen is { } id && template.Channels.TryGet(id, out var channel) && (kind == ChannelKind.Bus || !IsAboutReturns(channel)))
        {
            var isTop = channel.Destination is null;
            if (Capabilities.Of(channel.Kind).Sums && (kind != ChannelKind.Bus || isTop))
                return channel.Id;
            if (channel.Destination is { } beside)
                return beside;
        }

        return ChannelFactory.MixBus(template);
    }

    /// <summary>The bus of the returns, else where those that are there go: an effect is heard beside the parts that send to it, not within one of their buses.</summary>
    private static ChannelId ForReturns(Template template) =>
        template.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Bus && IsAboutReturns(c))?.Id
        ?? template.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Return)?.Destination
        ?? ChannelFactory.MixBus(template);

    private static bool IsAboutReturns(Channel channel) => channel.Kind is ChannelKind.Return || (channel.Kind is ChannelKind.Bus && ChannelRole.Of(channel).Role == "return-bus");
}
