using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes a sidechain feed away.</summary>
/// <param name="ToChannel">The channel that holds the insert.</param>
public sealed record RemoveFeed(ChannelId Channel, ChannelId ToChannel, InsertId ToInsert) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var place = channel.Feeds.IndexWhere(f => f.Channel == ToChannel && f.Insert == ToInsert);
        return place < 0
            ? new Refusal.Missing("feed", $"{ToChannel}/{ToInsert}", $"on {channel.Name}")
            : With(template, channel with { Feeds = channel.Feeds.RemoveAt(place) }, new PutFeed(Channel, channel.Feeds[place]));
    }
}
