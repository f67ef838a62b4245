using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Playing;

/// <summary>Which notes reach which instrument: its own starters, those of notes channels that play it, and those of instruments that it is layered with.</summary>
public sealed class NoteRoute
{
    private readonly Template _template;
    private readonly string _act;
    private readonly TimeMap _time;
    private readonly ILookup<ChannelId, Channel> _players;
    private readonly ILookup<ChannelId, Channel> _layeredBy;

    /// <param name="act">What rests in the wings of this act plays nothing.</param>
    public NoteRoute(Template template, string act)
    {
        _template = template;
        _act = act;
        _time = new(template.Timeline);
        var running = template.Channels.Where(c => c.StageIn(act) != StageState.InTheWings).ToList();
        // A muted notes channel plays nothing; a muted instrument is silent after its inserts, and its layers go on.
        _players = running.Where(c => !c.Muted).SelectMany(c => c.Plays.Select(p => (Target: p, Channel: c))).ToLookup(x => x.Target, x => x.Channel);
        _layeredBy = running.SelectMany(c => (c.NoteInput?.Layers ?? []).Select(l => (Target: l, Channel: c))).ToLookup(x => x.Target, x => x.Channel);
    }

    /// <returns>The notes that the channel's instrument hears, in order of their start.</returns>
    public IReadOnlyList<PlacedNote> Of(Channel channel)
    {
        var given = Given(channel).Concat(_layeredBy[channel.Id].SelectMany(Given));
        return [.. Through(channel, [.. Sorted(given)]).Select(n => new PlacedNote(
            n.StartTick, n.LengthTicks, _time.SecondsAt(n.StartTick), _time.SecondsAt(n.EndTick), n.Number, n.Velocity))];
    }

    private IEnumerable<TimedNote> Given(Channel channel) =>
        Laid(channel).Concat(_players[channel.Id].SelectMany(p => Through(p, [.. Sorted(Laid(p))])));

    private IEnumerable<TimedNote> Laid(Channel channel) =>
        channel.StageIn(_act) == StageState.InTheWings
            ? []
            : _time.Lay(channel.Patterns).Select(n => new TimedNote(n.StartTick, n.LengthTicks, n.Number, n.Velocity));

    private IEnumerable<TimedNote> Through(Channel channel, IReadOnlyList<TimedNote> notes)
    {
        foreach (var processor in channel.NoteProcessors.Where(p => p.On))
            notes = processor.Apply(notes);
        return _template.Grooves.FirstOrDefault(g => g.Name == channel.Groove) is { } groove ? Sorted(notes.Select(groove.Felt)) : notes;
    }

    private static IEnumerable<TimedNote> Sorted(IEnumerable<TimedNote> notes) => notes.OrderBy(n => n.StartTick).ThenBy(n => n.Number);
}
