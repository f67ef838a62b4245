using HomeStage.Core.Templates;

namespace HomeStage.Core.Routing;

/// <summary>The way of a channel through what it feeds, sends left out.</summary>
internal static class DestinationWay
{
    /// <summary>Whether a channel goes into a sum, at once or through others.</summary>
    public static bool LeadsTo(Template template, Channel channel, ChannelId sum) => Of(template, channel).Contains(sum);

    /// <returns>What a channel goes into, one after the other.</returns>
    public static IEnumerable<ChannelId> Of(Template template, Channel channel)
    {
        var seen = new HashSet<ChannelId>();
        for (var at = channel.Destination; at is { } next && seen.Add(next); at = template.Channels[next].Destination)
            yield return next;
    }
}
