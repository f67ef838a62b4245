using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A feed from a channel that is muted or in the wings: what it steers never works.</summary>
public sealed class FeedFromSilence : ISoundcheckRule
{
    public string Id => "feed-from-silence";

    public string Group => "Sidechains";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        foreach (var of in KeyFeed.BySource(template, act, f => f.Insert.Key is { On: true } && IsSilent(f.From, act) && !IsStoodInFor(template, f, act)))
        {
            var (from, first) = (of.Key, of.First());
            // A trigger is heard by nobody, so it can be let go on; another channel was silenced for the ears, and stays so.
            Mend? goOn = from.Kind != ChannelKind.Trigger ? null
                : from.Muted ? new("Unmute the trigger", from.StageIn(act) == StageState.InTheWings ? [new SetMute(from.Id, false), Run(from, act)] : [new SetMute(from.Id, false)])
                : new("Let it run behind the curtain", [Run(from, act)]);
            var off = new Mend("Take the feed away", of.SelectMany(f => Off(template, f)).ToSequence());
            yield return new(Id, Severity.Warning, [from.Id], $"{from.Name} steers {first.Insert.Title()} on {first.To.Name} and is {(from.Muted ? "muted" : "in the wings")}.", goOn is null ? [off] : [goOn, off]);
        }
    }

    private static bool IsSilent(Channel channel, string act) => channel.Muted || channel.StageIn(act) == StageState.InTheWings;

    /// <summary>Whether an instrument's print steers the same while the instrument rests, or the instrument while its print does.</summary>
    private static bool IsStoodInFor(Template template, KeyFeed feed, string act) =>
        template.Channels.Any(c => (c.Id == feed.From.PrintTwin || c.PrintTwin == feed.From.Id) && !IsSilent(c, act) && c.Feeds.Any(f => f.Channel == feed.To.Id && f.Insert == feed.Insert.Id));

    private static SetStage Run(Channel trigger, string act) => new(trigger.Id, act, StageState.BehindTheCurtain);

    /// <summary>Where it was the only one, the detector hears its own channel again.</summary>
    private static IEnumerable<Edit> Off(Template template, KeyFeed feed)
    {
        yield return new RemoveFeed(feed.From.Id, feed.To.Id, feed.Insert.Id);
        if (template.Channels.Count(c => c.Feeds.Any(f => f.Channel == feed.To.Id && f.Insert == feed.Insert.Id)) == 1)
            yield return new SetKey(feed.To.Id, feed.Insert.Id, feed.Insert.Key! with { On = false });
    }
}
