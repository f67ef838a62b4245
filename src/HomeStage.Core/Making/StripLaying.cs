using HomeStage.Core.Notes;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>Lays a strip on a channel, in the place of what stands there.</summary>
public static class StripLaying
{
    /// <summary>The strip as it is laid. An insert of the same processor or device stays itself, so that what feeds its key, and the curves on it, hold on;
    /// what the strip does not say, and what the channel's kind cannot have, is left.</summary>
    public static Channel On(Template template, Channel channel, Strip strip)
    {
        var can = Capabilities.Of(channel.Kind);
        var laid = channel;
        if (strip.Inserts is { } inserts && can.Sounds)
            laid = WithInserts(template, laid, inserts, strip.Chains);
        if (strip.Sends is { } sends && can.Sends)
            laid = laid with { Sends = With(template, channel, sends) };
        if (strip.NoteInput is { } input && (channel.Kind == ChannelKind.Notes || channel.Source is InstrumentSource))
            laid = laid with { NoteInput = Played(channel.NoteInput, input) };
        if (strip.Input is { } heard && channel.Source is InputSource source)
            laid = laid with { Source = source with { Monitored = heard.Monitored, Armed = heard.Armed } };
        if (strip.Stages is { } stages && !can.StandsOnce)
            laid = laid with { Stages = stages.Where(s => template.Acts.Any(a => a.Id == s.Key)).Aggregate(laid.Stages, (map, s) => Staged(map, s.Key, s.Value)) };
        return laid == channel ? channel : laid;
    }

    /// <summary>The strip that a channel has, to be laid on others.</summary>
    public static Strip Of(Template template, Channel channel)
    {
        var can = Capabilities.Of(channel.Kind);
        return new()
        {
            Inserts = can.Sounds ? channel.Inserts.Select(Bare).ToSequence() : null,
            Chains = can.Sounds ? Present(channel) : [],
            Sends = can.Sends ? channel.Sends.Select(s => new StripSend(template.Channels[s.To].Name, s.Level, s.Tap, s.Open)).ToSequence() : null,
            NoteInput = channel.Kind == ChannelKind.Notes || channel.Source is InstrumentSource ? Bare(channel.NoteInput ?? new()) : null,
            Input = channel.Source is InputSource input ? new(input.Monitored, input.Armed) : null,
            Stages = can.StandsOnce ? null : Map<StageState>.From(template.Acts.Select(a => KeyValuePair.Create(a.Id, channel.StageIn(a.Id)))),
        };
    }

    private static Channel WithInserts(Template template, Channel channel, Sequence<Insert> wanted, Sequence<Chain> chains)
    {
        var (inserts, ids) = Laid(template, channel.Inserts, wanted, []);
        var laid = chains.Select(c => ChainLaying.Renamed(c, ids)).Where(c => c.Inserts.Count > 0).ToSequence();
        return channel with { Inserts = inserts, Chains = laid.Equals(channel.Chains) ? channel.Chains : laid };
    }

    private static Sequence<Chain> Present(Channel channel)
    {
        var there = channel.Inserts.Select(i => i.Id).ToHashSet();
        return channel.Chains.Select(c => ChainLaying.Only(c, there)).Where(c => c.Inserts.Count > 0).ToSequence();
    }

    /// <param name="others">Ids that are taken.</param>
    /// <returns>What is wanted as it is laid in the place of what is there, and by what each is called.</returns>
    internal static (Sequence<Insert> Laid, IReadOnlyDictionary<InsertId, InsertId> Ids) Laid(Template template, Sequence<Insert> there, Sequence<Insert> wanted, IEnumerable<string> others)
    {
        var free = there.ToList();
        var same = wanted.Select(w => Take(free, w)).ToList();
        var taken = same.OfType<Insert>().Select(i => i.Id.Value).Concat(others).ToHashSet(StringComparer.Ordinal);
        var ids = new Dictionary<InsertId, InsertId>();
        var laid = new List<Insert>();
        foreach (var (insert, stays) in wanted.Zip(same))
        {
            var id = stays?.Id ?? new InsertId(Numbering.FreshId(insert.Id.Value, i => taken.Contains(i.Value)).Value);
            taken.Add(id.Value);
            ids[insert.Id] = id;
            laid.Add(insert with
            {
                Id = id,
                ParkedIn = insert.ParkedIn.Where(act => template.Acts.Any(a => a.Id == act)).ToSequence(),
                // Whether a key is on, and what restarts a ducker, belongs to the channel.
                Key = insert.Key is { } key ? key with { On = stays?.Key?.On ?? false } : stays?.Key,
                Trigger = insert.Trigger is { } trigger ? trigger with { Notes = stays?.Trigger?.Notes ?? [] } : stays?.Trigger,
            });
        }

        return (there.Equals(laid.ToSequence()) ? there : laid.ToSequence(), ids);
    }

    private static Insert? Take(List<Insert> free, Insert wanted)
    {
        var found = free.Find(wanted.IsLike);
        if (found is not null)
            free.Remove(found);
        return found;
    }

    private static Sequence<Send> With(Template template, Channel channel, Sequence<StripSend> wanted)
    {
        var sends = channel.Sends.ToList();
        // What is named goes before every return.
        foreach (var send in wanted.OrderBy(s => s.To.Length == 0))
            foreach (var target in Targets(template, send.To))
                if (target.Id != channel.Id && sends.TrueForAll(s => s.To != target.Id) && !LeadsBack(template, target, channel))
                    sends.Add(new(target.Id, send.Level, send.Tap, send.Open));
        return sends.Count == channel.Sends.Count ? channel.Sends : ConnectionOrder.Sort(sends);
    }

    private static IEnumerable<Channel> Targets(Template template, string name) => name.Length == 0
        ? template.Channels.Where(c => c.Kind == ChannelKind.Return)
        : template.Channels.Where(c => Capabilities.Of(c.Kind).TakesSends && string.Equals(c.Name, name, StringComparison.OrdinalIgnoreCase)).Take(1);

    /// <summary>A send that would close a loop is left out, also one that is closed.</summary>
    private static bool LeadsBack(Template template, Channel target, Channel channel)
    {
        var seen = new HashSet<ChannelId> { target.Id };
        var open = new Queue<ChannelId>(seen);
        var heard = channel.Source is InternalSource recorded ? recorded.From : channel.Id;
        while (open.TryDequeue(out var id))
        {
            if (id == channel.Id || id == heard)
                return true;
            var at = template.Channels[id];
            foreach (var next in at.Sends.Select(s => s.To).Concat(at.Feeds.Select(f => f.Channel)).Concat(at.Destination is { } to ? [to] : []))
                if (template.Channels.Contains(next) && seen.Add(next))
                    open.Enqueue(next);
        }

        return false;
    }

    private static NoteInput? Played(NoteInput? there, NoteInput wanted)
    {
        var played = wanted with { Layers = there?.Layers ?? [], PadMap = there?.PadMap ?? [], Controllers = there?.Controllers ?? [] };
        return there is null && played == new NoteInput() ? null : played;
    }

    private static Map<StageState> Staged(Map<StageState> stages, string act, StageState state) =>
        state == StageState.OnStage && !stages.ContainsKey(act) ? stages : stages.With(act, state);

    private static NoteInput Bare(NoteInput input) => input with { Layers = [], PadMap = [], Controllers = [] };

    internal static Insert Bare(Insert insert) => insert with
    {
        Key = insert.Key is { } key ? key with { On = false } : null,
        Trigger = insert.Trigger is { } trigger ? trigger with { Notes = [] } : null,
    };
}
