using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes a sidechain feed, or changes the one to the same key input.</summary>
public sealed record PutFeed(ChannelId Channel, SidechainFeed Feed) : ChannelEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override EditResult Change(Template template, Channel channel)
    {
        bool Same(SidechainFeed f) => f.Channel == Feed.Channel && f.Insert == Feed.Insert;
        var old = channel.Feeds.FirstOrDefault(Same);
        var feeds = ConnectionOrder.Sort(channel.Feeds.Where(f => !Same(f)).Append(Feed));
        return With(template, channel with { Feeds = feeds },
            old is null ? new RemoveFeed(Channel, Feed.Channel, Feed.Insert) : new PutFeed(Channel, old));
    }
}
