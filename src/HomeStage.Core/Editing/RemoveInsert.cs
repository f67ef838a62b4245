using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes a processor out of a channel's strip, and the sidechain feeds into it with it.</summary>
public sealed record RemoveInsert(ChannelId Channel, InsertId Insert) : InsertEdit(Channel, Insert)
{
    public override bool ChangesRouting => true;

    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        var without = template.Replace(channel with { Inserts = channel.Inserts.RemoveAt(place) });
        var feeders = without.Channels.Where(c => c.Feeds.Any(EndsHere)).ToList();
        if (feeders.Count == 0)
            return new EditResult.Applied(without, new AddInsert(Channel, channel.Inserts[place], place));
        var touched = feeders.Select(c => c.Id).Append(Channel).Distinct().Select(id => new PlacedChannel(template.Channels[id], null));
        var after = feeders.Aggregate(without, (t, c) => t.Replace(c with { Feeds = c.Feeds.Where(f => !EndsHere(f)).ToSequence() }));
        return new EditResult.Applied(after, new RestoreChannels(touched.ToSequence(), []));
    }

    private bool EndsHere(SidechainFeed feed) => feed.Channel == Channel && feed.Insert == Insert;
}
