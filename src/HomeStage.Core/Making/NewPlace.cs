using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>Where a new channel is proposed to go.</summary>
/// <param name="Under">The sum that it would feed; null for kinds that feed none.</param>
/// <param name="First">That sum itself, where it is not there yet and has to be added first.</param>
public sealed record NewPlace(ChannelId? Under, Sequence<Channel> First)
{
    private const string BusOfReturns = "Returns";

    /// <param name="chosen">What the person has chosen; null for nothing.</param>
    /// <returns>A part goes into the bus that is chosen, another bus goes beside it, a return goes where returns meet: the first one gets a bus for them.</returns>
    public static NewPlace Of(Template template, ChannelKind kind, ChannelId? chosen)
    {
        if (kind != ChannelKind.Return)
            return new(Beside(template, kind, chosen), []);
        if (ForReturns(template) is { } there)
            return new(there, []);
        var bus = ChannelFactory.Make(template, new(ChannelKind.Bus) { Name = BusOfReturns });
        return new(bus.Id, [bus]);
    }

    private static ChannelId? Beside(Template template, ChannelKind kind, ChannelId? chosen)
    {
        if (!Capabilities.Of(kind).FeedsASum)
            return null;
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
    /// <returns>Null before there are any.</returns>
    private static ChannelId? ForReturns(Template template) =>
        template.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Bus && IsAboutReturns(c))?.Id
        ?? template.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Return)?.Destination;

    private static bool IsAboutReturns(Channel channel) => channel.Kind is ChannelKind.Return || (channel.Kind is ChannelKind.Bus && ChannelRole.Of(channel).Role == "return-bus");
}
