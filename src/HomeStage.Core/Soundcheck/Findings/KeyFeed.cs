using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Findings;

/// <summary>A sidechain feed into an insert that works in an act.</summary>
internal sealed record KeyFeed(Channel From, SidechainFeed Feed, Channel To, Insert Insert)
{
    public static IEnumerable<KeyFeed> In(Template template, string act) =>
        from channel in template.Channels
        from feed in channel.Feeds
        let to = template.Channels.TryGet(feed.Channel, out var found) && found.StageIn(act) != StageState.InTheWings ? found : null
        where to is not null
        let insert = to.Inserts.FirstOrDefault(i => i.Id == feed.Insert)
        where insert is not null && insert.IsLiveIn(template, act)
        select new KeyFeed(channel, feed, to, insert);

    /// <summary>The feeds of each channel together: a finding speaks of a channel once.</summary>
    public static IEnumerable<IGrouping<Channel, KeyFeed>> BySource(Template template, string act, Func<KeyFeed, bool> which) =>
        In(template, act).Where(which).GroupBy(f => f.From);
}
