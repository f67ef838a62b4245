using HomeStage.Core.Timing;

namespace HomeStage.Core.Templates.Edits;

/// <summary>Sends, feeds and patterns stand in one order, whatever order they were made in, so that undo is exact.</summary>
internal static class ConnectionOrder
{
    public static Channel Sorted(Channel channel) => channel with
    {
        Sends = Sort(channel.Sends),
        Feeds = Sort(channel.Feeds),
        Patterns = Sort(channel.Patterns),
    };

    public static Sequence<Send> Sort(IEnumerable<Send> sends) =>
        sends.OrderBy(s => s.To.Value, StringComparer.Ordinal).ToSequence();

    public static Sequence<SidechainFeed> Sort(IEnumerable<SidechainFeed> feeds) =>
        feeds.OrderBy(f => f.Channel.Value, StringComparer.Ordinal).ThenBy(f => f.Insert.Value, StringComparer.Ordinal).ToSequence();

    public static Sequence<Pattern> Sort(IEnumerable<Pattern> patterns) =>
        patterns.OrderBy(p => p.Name, StringComparer.Ordinal).ToSequence();
}
