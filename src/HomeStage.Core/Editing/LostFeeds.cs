using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Sidechain feeds into inserts that are there no more.</summary>
internal static class LostFeeds
{
    /// <param name="changed">The channels that may have lost inserts.</param>
    /// <returns>The template without them.</returns>
    public static Template TakenAway(Template after, Sequence<ChannelId> changed)
    {
        var among = changed.ToHashSet();
        bool IsLost(SidechainFeed feed) => among.Contains(feed.Channel) && after.Channels[feed.Channel].Inserts.All(i => i.Id != feed.Insert);
        return after.Channels.Where(c => c.Feeds.Any(IsLost)).ToList()
            .Aggregate(after, (t, c) => t.Replace(c with { Feeds = c.Feeds.Where(f => !IsLost(f)).ToSequence() }));
    }
}
