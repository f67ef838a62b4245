using HomeStage.Core.Templates;

namespace HomeStage.Core.Routing;

/// <summary>The channels as a tree under what they feed: the main first, then what feeds nothing.</summary>
public static class RunningOrder
{
    /// <returns>Every channel once, each directly before its own feeders, siblings in the template's order.</returns>
    public static IReadOnlyList<RunningOrderRow> Of(Template template)
    {
        var feeders = template.Channels.Where(c => c.Destination is not null).ToLookup(c => c.Destination!.Value);
        var rows = new List<RunningOrderRow>(template.Channels.Count);
        // A stack of our own: a chain of buses may be as long as the template.
        var open = new Stack<(Channel Channel, int Depth, double? Hue)>();
        foreach (var root in template.Channels.Where(c => c.Destination is null).OrderBy(c => c.Kind == ChannelKind.Main ? 0 : 1).Reverse())
            open.Push((root, 0, null));
        while (open.TryPop(out var next))
        {
            var (channel, depth, inherited) = next;
            var hue = channel.HueDegrees ?? inherited;
            rows.Add(new(channel, depth, hue, feeders[channel.Id].Count()));
            foreach (var feeder in feeders[channel.Id].Reverse())
                open.Push((feeder, depth + 1, hue));
        }

        return rows;
    }
}

/// <summary>A channel where it stands.</summary>
/// <param name="Depth">0 for the roots.</param>
/// <param name="HueDegrees">Its own hue or that of the nearest channel that it feeds; null for none.</param>
/// <param name="Feeders">How many channels stand directly under it.</param>
public sealed record RunningOrderRow(Channel Channel, int Depth, double? HueDegrees, int Feeders);
