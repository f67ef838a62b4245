using HomeStage.Core.Automation;
using HomeStage.Core.Media;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Templates;

/// <summary>Sends, feeds, starters and shapes stand in one order, whatever order they were made in, so that undo is exact.</summary>
internal static class ConnectionOrder
{
    public static Channel Sorted(Channel channel) => channel with
    {
        Sends = Sort(channel.Sends),
        Feeds = Sort(channel.Feeds),
        Patterns = Sort(channel.Patterns),
        Starters = Sort(channel.Starters),
        Shapes = Sort(channel.Shapes),
    };

    public static Sequence<AudioStarter> Sort(IEnumerable<AudioStarter> starters) =>
        starters.OrderBy(s => s.Name, StringComparer.Ordinal).ToSequence();

    public static Sequence<Shape> Sort(IEnumerable<Shape> shapes) =>
        shapes.OrderBy(s => s.Section, StringComparer.Ordinal).ThenBy(s => s.Target.ToString(), StringComparer.Ordinal).ToSequence();

    public static Sequence<Send> Sort(IEnumerable<Send> sends) =>
        sends.OrderBy(s => s.To.Value, StringComparer.Ordinal).ToSequence();

    public static Sequence<SidechainFeed> Sort(IEnumerable<SidechainFeed> feeds) =>
        feeds.OrderBy(f => f.Channel.Value, StringComparer.Ordinal).ThenBy(f => f.Insert.Value, StringComparer.Ordinal).ToSequence();

    public static Sequence<Pattern> Sort(IEnumerable<Pattern> patterns) =>
        patterns.OrderBy(p => p.Name, StringComparer.Ordinal).ToSequence();
}
