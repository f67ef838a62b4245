using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>Which channels belong together, and what they are joined with.</summary>
internal static class PieceBranch
{
    /// <returns>What is chosen and what stands under it; a kit with its splits, an instrument with the channel that takes its print, and notes that play nothing else.</returns>
    public static HashSet<ChannelId> Of(Template template, IEnumerable<ChannelId> chosen)
    {
        var under = template.Channels.ToLookup(c => c.Destination, c => c.Id);
        var splits = template.Channels.Where(c => c.Source is OutputSource).ToLookup(c => ((OutputSource)c.Source!).Instrument, c => c.Id);
        var own = new HashSet<ChannelId>();
        var waiting = new Queue<ChannelId>(chosen);
        while (waiting.TryDequeue(out var id))
        {
            if (!own.Add(id))
                continue;
            var channel = template.Channels[id];
            foreach (var next in under[id].Concat(splits[id]))
                waiting.Enqueue(next);
            if (channel.PrintTwin is { } twin)
                waiting.Enqueue(twin);
            if (channel.Source is OutputSource split)
                waiting.Enqueue(split.Instrument);
        }

        own.UnionWith(template.Channels.Where(c => c.Kind == ChannelKind.Notes && c.Plays.Count > 0 && c.Plays.All(own.Contains)).Select(c => c.Id));
        return own;
    }

    /// <returns>What the branch refers to, and what feeds its keys or plays its instruments, in the template's order.</returns>
    public static Sequence<ChannelId> Outside(Template template, HashSet<ChannelId> own)
    {
        var led = template.Channels.Where(c => own.Contains(c.Id)).SelectMany(ChannelReferences.Of).Where(r => r.Kind != ReferenceKind.CurvedSend).Select(r => r.To).ToHashSet();
        return template.Channels.Where(c => !own.Contains(c.Id) && (c.Kind == ChannelKind.Main || led.Contains(c.Id) || LeadsInto(c, own))).Select(c => c.Id).ToSequence();
    }

    private static bool LeadsInto(Channel channel, HashSet<ChannelId> own) => channel.Feeds.Any(f => own.Contains(f.Channel)) || channel.Plays.Any(own.Contains);
}
