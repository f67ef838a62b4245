using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Comparing;

/// <summary>Which channels are gone, new, or stand elsewhere.</summary>
internal static class ChannelsDifference
{
    public static IEnumerable<Edit> Removed(Template from, Template to) =>
        from.Channels.Where(c => !IsIn(to, c)).Select(c => new RemoveChannel(c.Id));

    /// <returns>Channels to be made, each after those that it refers to where that can be.</returns>
    public static IReadOnlyList<Channel> Missing(Template from, Template to)
    {
        var known = from.Channels.Select(c => c.Id).ToHashSet();
        var waiting = to.Channels.Where(c => !known.Contains(c.Id)).ToList();
        var sorted = new List<Channel>(waiting.Count);
        while (waiting.Count > 0)
        {
            var ready = waiting.FindAll(c => References(c).All(known.Contains));
            if (ready.Count == 0)
                ready = waiting.GetRange(0, 1);
            waiting.RemoveAll(ready.Contains);
            known.UnionWith(ready.Select(c => c.Id));
            sorted.AddRange(ready);
        }

        return sorted;
    }

    /// <summary>Makes a channel where it will stand; what it refers to and is not there yet is left to later edits.</summary>
    public static Edit Added(Template now, Template to, Channel channel)
    {
        bool There(ChannelId id) => id == channel.Id || now.Channels.Contains(id);
        var next = to.Channels.Skip(to.Channels.IndexOf(channel.Id) + 1).FirstOrDefault(c => now.Channels.Contains(c.Id));
        return new AddChannel(
            ChannelReferences.Redirected(channel, (kind, to) => There(to) || kind is ReferenceKind.SplitOf or ReferenceKind.CurvedSend ? to : null),
            next is null ? null : now.Channels.IndexOf(next.Id));
    }

    /// <summary>The fewest moves that bring the channels into order, the last first; each also says what the channel feeds.</summary>
    public static IEnumerable<Edit> Moves(Template from, Template to)
    {
        var shared = to.Channels.Where(c => from.Channels.Contains(c.Id)).ToList();
        // To move one that feeds something else now costs no edit more.
        var staying = HeaviestRise.Of(
            [.. shared.Select(c => from.Channels.IndexOf(c.Id))],
            [.. shared.Select(c => from.Channels[c.Id].Destination == c.Destination ? 2 : 1)]);
        for (var i = shared.Count - 1; i >= 0; i--)
        {
            if (!staying.Contains(i))
                yield return new MoveChannel(shared[i].Id, shared[i].Destination, i + 1 < shared.Count ? shared[i + 1].Id : null);
        }
    }

    /// <summary>Every channel that still differs, put back whole.</summary>
    public static Edit Whole(Template from, Template to) => new RestoreChannels(
        to.Channels.Where(c => from.Channels.Contains(c.Id) && !from.Channels[c.Id].Equals(c)).Select(c => new PlacedChannel(c, null)).ToSequence(), []);

    /// <summary>A channel of another kind is another channel.</summary>
    private static bool IsIn(Template to, Channel channel) => to.Channels.TryGet(channel.Id, out var other) && other.Kind == channel.Kind;

    private static IEnumerable<ChannelId> References(Channel channel) =>
        ChannelReferences.Of(channel).Where(r => r.Kind != ReferenceKind.CurvedSend && r.To != channel.Id).Select(r => r.To);
}
