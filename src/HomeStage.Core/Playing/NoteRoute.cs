using System.Collections.Concurrent;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Playing;

/// <summary>Which notes reach which instrument: its own starters, those of notes channels that play it, and those of instruments that it is layered with.</summary>
/// <remarks>What was asked for once is kept. Safe for several threads.</remarks>
public sealed class NoteRoute
{
    private readonly Template _template;
    private readonly string _act;
    private readonly ConcurrentDictionary<ChannelId, IReadOnlyList<PlacedNote>> _known = new();
    private readonly TimeMap _time;
    private readonly ILookup<ChannelId, Channel> _players;
    private readonly ILookup<ChannelId, Channel> _layeredBy;

    /// <param name="act">What rests in the wings of this act plays nothing, but for an instrument whose print plays in its place: the print is its sound, its notes still strike what they struck.</param>
    public NoteRoute(Template template, string act)
    {
        _template = template;
        _act = act;
        _time = new(template.Timeline);
        var running = template.Channels.Where(c => Gives(template, c)).ToList();
        // A muted notes channel plays nothing; a muted instrument is silent after its inserts, and its layers go on.
        _players = running.Where(c => !c.Muted).SelectMany(c => c.Plays.Select(p => (Target: p, Channel: c))).ToLookup(x => x.Target, x => x.Channel);
        _layeredBy = running.SelectMany(c => (c.NoteInput?.Layers ?? []).Select(l => (Target: l, Channel: c))).ToLookup(x => x.Target, x => x.Channel);
    }

    /// <returns>The route over another state of the template; what was laid for channels that no edit since then touched is kept.</returns>
    public NoteRoute On(Template other)
    {
        var route = new NoteRoute(other, _act);
        if (!_template.Timeline.Equals(other.Timeline) || !_template.Grooves.Equals(other.Grooves) || !SameOrder(_template.Channels, other.Channels))
            return route;
        var touched = Touched(_template, other).Concat(Touched(other, _template)).ToHashSet();
        foreach (var (id, notes) in _known)
            if (!touched.Contains(id))
                route._known[id] = notes;
        return route;
    }

    /// <param name="channel">As it stands in the template.</param>
    /// <returns>The notes that the channel's instrument hears, in order of their start.</returns>
    public IReadOnlyList<PlacedNote> Of(Channel channel) => _known.GetOrAdd(channel.Id, _ => Laid(channel, _layeredBy[channel.Id]));

    /// <returns>The channels that hear something else, or that may, because of what became of a channel.</returns>
    private IEnumerable<ChannelId> Touched(Template before, Template after) =>
        before.Channels
            .Where(c => !after.Channels.TryGet(c.Id, out var then) || !SameNotes(c, then) || Gives(before, c) != Gives(after, then))
            .SelectMany(c => (IEnumerable<ChannelId>)[c.Id, .. c.Plays, .. c.NoteInput?.Layers ?? []]);

    /// <summary>Of what stands in both: notes of one number at one time keep the order of their channels.</summary>
    private static bool SameOrder(ChannelList before, ChannelList after) =>
        before.Select(c => c.Id).Where(after.Contains).SequenceEqual(after.Select(c => c.Id).Where(before.Contains));

    private static bool SameNotes(Channel a, Channel b) =>
        ReferenceEquals(a, b)
        || (a.Patterns.Equals(b.Patterns)
            && a.NoteProcessors.Equals(b.NoteProcessors)
            && a.Plays.Equals(b.Plays)
            && Equals(a.NoteInput?.Layers, b.NoteInput?.Layers)
            && a.Groove == b.Groove
            && a.Muted == b.Muted);

    /// <summary>Whether a channel's notes go out in this act.</summary>
    private bool Gives(Template template, Channel channel) => channel.StageIn(_act) != StageState.InTheWings || template.PlaysPrint(channel, _act);

    private IReadOnlyList<PlacedNote> Laid(Channel channel, IEnumerable<Channel> layeredBy)
    {
        var given = Given(channel).Concat(layeredBy.SelectMany(p => Lent(p, channel)));
        return [.. Through(channel, [.. Sorted(given)]).Select(n => new PlacedNote(
            n.StartTick, n.LengthTicks, _time.SecondsAt(n.StartTick), _time.SecondsAt(n.EndTick), n.Number, n.Velocity))];
    }

    /// <summary>A trigger strikes when what it is layered with does, so it follows the other's groove; an instrument has its own.</summary>
    private IEnumerable<TimedNote> Lent(Channel player, Channel to) =>
        to is { Kind: ChannelKind.Trigger, Groove: null } ? InGroove(player, Given(player)) : Given(player);

    private IEnumerable<TimedNote> Given(Channel channel) =>
        Laid(channel).Concat(_players[channel.Id].SelectMany(p => Through(p, [.. Sorted(Laid(p))])));

    private IEnumerable<TimedNote> Laid(Channel channel) =>
        !Gives(_template, channel)
            ? []
            : _time.Lay(channel.Patterns).Select(n => new TimedNote(n.StartTick, n.LengthTicks, n.Number, n.Velocity));

    private IEnumerable<TimedNote> Through(Channel channel, IReadOnlyList<TimedNote> notes) => InGroove(channel, NoteProcessor.Through(channel.NoteProcessors, notes));

    private IEnumerable<TimedNote> InGroove(Channel channel, IEnumerable<TimedNote> notes) =>
        _template.Grooves.FirstOrDefault(g => g.Name == channel.Groove) is { } groove ? Sorted(notes.Select(groove.Felt)) : notes;

    private static IEnumerable<TimedNote> Sorted(IEnumerable<TimedNote> notes) => notes.OrderBy(n => n.StartTick).ThenBy(n => n.Number);
}
