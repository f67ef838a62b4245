using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>What the detectors that listen to a kit's splits hear otherwise once its outputs are shared out anew: a ducker on the kick alone gives way to all that leaves with it.</summary>
public static class ChangedKeys
{
    private const int MostNamed = 3;

    /// <param name="after">The same template with the outputs shared out anew.</param>
    /// <param name="player">An instrument channel with a kit.</param>
    /// <returns>A sentence for each detector that hears more pieces than before, or some no longer.</returns>
    public static IEnumerable<string> Sentences(Template before, Template after, ChannelId player)
    {
        foreach (var split in before.Channels.Where(c => c.Source is OutputSource source && source.Instrument == player))
            foreach (var feed in split.Feeds)
            {
                if (ListenerOf(before, feed) is not { } listener)
                    continue;
                var had = Carried(before, player, split);
                var has = after.Channels.TryGet(split.Id, out var now) && now.Feeds.Any(f => (f.Channel, f.Insert) == (feed.Channel, feed.Insert)) ? Carried(after, player, now) : [];
                if (has.Except(had).ToList() is { Count: > 0 } more)
                    yield return $"{listener} hears {Listed(more)} as well";
                if (had.Except(has).ToList() is { Count: > 0 } less)
                    yield return $"{listener} hears {Listed(less)} no more";
            }
    }

    /// <returns>"The compressor on Bass"; null where it does not listen to others.</returns>
    private static string? ListenerOf(Template template, SidechainFeed feed) =>
        template.Channels.TryGet(feed.Channel, out var channel) && channel.Inserts.FirstOrDefault(i => i.Id == feed.Insert) is { Key.On: true }
            ? $"The {template.Insert(feed.Channel, feed.Insert)} on {channel.Name}"
            : null;

    private static List<string> Carried(Template template, ChannelId player, Channel split) =>
        [.. ((InstrumentSource)template.Channels[player].Source!).Kit!.Lines.Where(l => l.Output == SplitKit.NumberOf(split)).Select(l => l.Name)];

    private static string Listed(List<string> names) =>
        names.Count == 1 ? names[0]
        : names.Count <= MostNamed ? $"{string.Join(", ", names.SkipLast(1))} and {names[^1]}"
        : $"{string.Join(", ", names.Take(MostNamed - 1))} and {names.Count - MostNamed + 1} more";
}
