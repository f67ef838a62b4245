using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes a copy of each channel with its strip, sends, feeds and starters, and of what feeds its keys.</summary>
/// <remarks>Copies stand after their originals, so that numbers ascend, and refer to each other as the originals do; what is not copied is referred
/// to by both. A kit takes its splits along. Ids and names are the next that are free.</remarks>
/// <param name="WithFeeders">Whether what stands under a chosen bus is copied too.</param>
public sealed record DuplicateChannels(Sequence<ChannelId> Channels, bool WithFeeders = false) : ManyChannelsEdit
{
    public override bool ChangesRouting => true;

    protected override ManyResult Change(Template template)
    {
        if (Unknown(template, Channels) is { } unknown)
            return unknown;
        var chosen = WithFeeders ? WithThoseUnder(template, Channels) : [.. Channels];
        var originals = template.Channels
            .Where(c => chosen.Contains(c.Id) || (c.Source is OutputSource split && chosen.Contains(split.Instrument)))
            .ToList();
        if (originals.FirstOrDefault(c => Capabilities.Of(c.Kind).StandsOnce) is { } main)
            return new Refusal.Doubled("main", main.Name);
        var copies = Named(template, originals);
        var fed = template.Channels.Where(c => !copies.ContainsKey(c.Id)).Select(c => Feeding(c, copies));
        var kept = fed.Where(c => !ReferenceEquals(c, template.Channels[c.Id])).Aggregate(template, (t, c) => t.Replace(c));
        return kept with { Channels = ChannelList.From(InOrder(kept, copies)) };
    }

    /// <summary>The copies of neighbours stand behind the last of them, and behind those next to them whose numbers are lower.</summary>
    private static IEnumerable<Channel> InOrder(Template template, Dictionary<ChannelId, (ChannelId Id, string Name)> copies)
    {
        var waiting = new List<Channel>();
        foreach (var channel in template.Channels)
        {
            var isCopied = copies.TryGetValue(channel.Id, out var copy);
            if (!isCopied && !waiting.Exists(w => w.Destination == channel.Destination && Numbering.IsBefore(channel.Name, w.Name)))
            {
                foreach (var done in waiting)
                    yield return done;
                waiting.Clear();
            }

            yield return channel;
            if (isCopied)
                waiting.Add(Copied(channel, copy, copies));
        }

        foreach (var done in waiting)
            yield return done;
    }

    private static HashSet<ChannelId> WithThoseUnder(Template template, IEnumerable<ChannelId> channels)
    {
        var under = template.Channels.ToLookup(c => c.Destination, c => c.Id);
        var found = new HashSet<ChannelId>();
        var waiting = new Queue<ChannelId>(channels);
        while (waiting.TryDequeue(out var id))
            if (found.Add(id))
                foreach (var feeder in under[id])
                    waiting.Enqueue(feeder);
        return found;
    }

    private static Dictionary<ChannelId, (ChannelId Id, string Name)> Named(Template template, List<Channel> originals)
    {
        var ids = template.Channels.Select(c => c.Id).ToHashSet();
        var names = template.Channels.Select(c => c.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var copies = new Dictionary<ChannelId, (ChannelId, string)>();
        foreach (var original in originals)
        {
            var (id, name) = (Numbering.FreshId(original.Id.Value, ids.Contains), Numbering.Next(original.Name, names.Contains));
            ids.Add(id);
            names.Add(name);
            copies[original.Id] = (id, name);
        }

        return copies;
    }

    /// <summary>Copies refer to each other; a print is taken by one channel alone.</summary>
    private static Channel Copied(Channel channel, (ChannelId Id, string Name) copy, Dictionary<ChannelId, (ChannelId Id, string Name)> copies) =>
        ChannelReferences.Redirected(channel with { Id = copy.Id, Name = copy.Name }, (kind, to) =>
            copies.TryGetValue(to, out var other) ? other.Id : kind == ReferenceKind.Print ? null : to);

    /// <summary>What steers an original steers its copy too.</summary>
    private static Channel Feeding(Channel channel, Dictionary<ChannelId, (ChannelId Id, string Name)> copies)
    {
        var more = channel.Feeds.Where(f => copies.ContainsKey(f.Channel)).Select(f => f with { Channel = copies[f.Channel].Id }).ToList();
        return more.Count == 0 ? channel : channel with { Feeds = ConnectionOrder.Sort(channel.Feeds.Concat(more)) };
    }
}
