using HomeStage.Core.Templates;

namespace HomeStage.Core.Refitting;

/// <summary>Ways of channels through sums.</summary>
internal static class Sums
{
    /// <summary>Whether a channel goes into a sum, at once or through others.</summary>
    public static bool LeadsTo(Template template, Channel channel, ChannelId sum) => Way(template, channel).Contains(sum);

    /// <returns>What a channel goes into, one after the other.</returns>
    public static IEnumerable<ChannelId> Way(Template template, Channel channel)
    {
        var seen = new HashSet<ChannelId>();
        for (var at = channel.Destination; at is { } next && seen.Add(next); at = template.Channels[next].Destination)
            yield return next;
    }
}
