using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Playing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A bus of which every member has the same ducker: one on the bus does the same, is turned in one place and costs one.</summary>
public sealed class DuckerOnEveryMember : ISoundcheckRule
{
    public string Id => "ducker-on-every-member";

    public string Group => "Sidechains";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var feeds = new Lazy<ILookup<(ChannelId, InsertId), KeyFeed>>(() => KeyFeed.In(template, act).ToLookup(f => (f.To.Id, f.Insert.Id)));
        var held = new Lazy<ILookup<ChannelId, HeldValue>>(() => HeldValue.Of(template));
        var members = template.Channels.Where(c => c.Destination is not null && !c.Spare && c.StageIn(act) != StageState.InTheWings).ToLookup(c => c.Destination!.Value);
        foreach (var bus in template.Channels.Where(c => c.Kind == ChannelKind.Bus && c.StageIn(act) != StageState.InTheWings && members[c.Id].Count() > 1))
        {
            var own = members[bus.Id].Select(m => DuckerOf(template, act, m)).ToList();
            if (own.Any(d => d is null))
                continue;
            var duckers = members[bus.Id].Zip(own, (channel, insert) => (Channel: channel, Insert: insert!)).ToList();
            var first = duckers[0];
            var key = Fed(feeds.Value[(first.Channel.Id, first.Insert.Id)]);
            if (key.Count == 0 || !duckers.All(d => IsLike(d.Insert, first.Insert) && Fed(feeds.Value[(d.Channel.Id, d.Insert.Id)]).SetEquals(key) && IsFree(d.Channel, d.Insert, held)))
                continue;
            var one = first.Insert with { Id = new(Numbering.FreshId("duck", i => bus.Inserts.Any(x => x.Id.Value == i.Value)).Value) };
            Edit[] edits =
            [
                .. duckers.Select(d => new RemoveInsert(d.Channel.Id, d.Insert.Id)), new AddInsert(bus.Id, one, ChainLaying.EndOf(bus)),
                .. feeds.Value[(first.Channel.Id, first.Insert.Id)].Select(f => new PutFeed(f.From.Id, f.Feed with { Channel = bus.Id, Insert = one.Id })),
            ];
            yield return new(Id, Severity.Hint, [bus.Id], $"Each of the {duckers.Count} channels under {bus.Name} has the same ducker: one on {bus.Name} does that.", [new("One on the bus", edits.ToSequence())]);
        }
    }

    private static Insert? DuckerOf(Template template, string act, Channel channel) =>
        channel.Inserts.FirstOrDefault(i => i is { Processor: ProcessorCatalogue.Compressor, Device: null, Key.On: true } && i.IsLiveIn(template, act));

    private static HashSet<(ChannelId, Decibels, TapPoint)> Fed(IEnumerable<KeyFeed> feeds) => [.. feeds.Select(f => (f.From.Id, f.Feed.Level, f.Feed.Tap))];

    private static bool IsLike(Insert a, Insert b) => a with { Id = b.Id } == b;

    /// <summary>Nothing moves it, and it is no part of a chain.</summary>
    private static bool IsFree(Channel channel, Insert insert, Lazy<ILookup<ChannelId, HeldValue>> held) =>
        channel.Chains.All(c => !c.Inserts.Contains(insert.Id)) && held.Value[channel.Id].All(h => !h.Place.StartsWith($"insert/{insert.Id}/", StringComparison.Ordinal));
}
