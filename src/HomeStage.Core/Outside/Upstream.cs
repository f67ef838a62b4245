using HomeStage.Core.Templates;

namespace HomeStage.Core.Outside;

/// <summary>What leads to a channel as sound, near and far: a fault there is heard on the channel too.</summary>
internal sealed class Upstream
{
    private readonly Dictionary<ChannelId, HashSet<ChannelId>> _leading = [];
    private readonly ILookup<ChannelId, ChannelId> _feeders;

    public Upstream(Template template) => _feeders = template.Channels.SelectMany(c => Fed(c).Select(to => (To: to, From: c.Id))).ToLookup(f => f.To, f => f.From);

    public IReadOnlySet<ChannelId> Of(ChannelId channel)
    {
        if (_leading.TryGetValue(channel, out var known))
            return known;
        var leading = new HashSet<ChannelId>();
        var next = new Queue<ChannelId>(_feeders[channel]);
        while (next.TryDequeue(out var from))
            if (leading.Add(from))
                foreach (var further in _feeders[from])
                    next.Enqueue(further);
        return _leading[channel] = leading;
    }

    private static IEnumerable<ChannelId> Fed(Channel channel)
    {
        foreach (var (kind, to) in ChannelReferences.Of(channel))
            if (kind == ReferenceKind.Destination || (kind == ReferenceKind.Send && channel.Sends.First(s => s.To == to) is { Open: true, Level.IsSilence: false }))
                yield return to;
    }
}
