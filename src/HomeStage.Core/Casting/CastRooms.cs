using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Casting;

/// <summary>Who makes room for whom, as a list says it: each is solved on its detector.</summary>
/// <param name="shelf">Where uploaded sound is found; null for none.</param>
internal sealed class CastRooms(GatheredEdits work, List<CastMark> marks, IMediaShelf? shelf, CancellationToken cancellation)
{
    private const double UsualDepthDb = 6;
    private const double UsualBackQuarters = 0.5;

    private readonly Dictionary<TriggerWish, ChannelId> _triggers = [];

    /// <param name="solved">Whether they are made; otherwise it is only looked whether there is somebody of that name.</param>
    /// <returns>By channel what was said of it, where that can be meant.</returns>
    public IReadOnlyDictionary<ChannelId, CastDetails> Make(IReadOnlyList<(CastEntry Entry, ChannelId Channel)> rooms, bool solved)
    {
        var said = new Dictionary<ChannelId, CastDetails>();
        foreach (var (entry, channel) in rooms)
        {
            var of = entry.Details;
            if (Whom(of.RoomFor!, channel) is not { } whom)
            {
                marks.Add(new(entry.At, $"Nobody here is called “{of.RoomFor}”, so nothing makes room for it."));
                continue;
            }

            said[channel] = of;
            // What follows already was perhaps set by hand.
            if (!solved || (whom.Trigger is { } there && Ducker.In(work.Now).Any(d => d.Channel == channel && d.By.Contains(there))))
                continue;
            if (Solved(channel, whom, of) is { } wrong)
                marks.Add(new(entry.At, wrong.Sentence));
        }

        return said;
    }

    private Refusal? Solved(ChannelId channel, (ChannelId? Trigger, TriggerWish New) whom, CastDetails of)
    {
        var known = whom.Trigger ?? (_triggers.TryGetValue(whom.New, out var made) ? made : null);
        var ask = new RoomAsk(known, whom.New, [new(channel, of.RoomDb ?? UsualDepthDb)], of.BackQuarters ?? UsualBackQuarters);
        var (room, why) = MakeRoom.Of(work.Now, work.Now.Acts[0].Id, work.Now.Timeline.Sections[0].Id, ask, shelf, cancellation);
        if (room is null)
            return why;
        var before = work.Now;
        if (work.Do(room.Edits) is { } wrong)
            return wrong;
        if (known is null && work.Now.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Trigger && !before.Channels.Contains(c.Id)) is { } trigger)
            _triggers[whom.New] = trigger.Id;
        return null;
    }

    /// <summary>A trigger, an instrument, a split with its pieces, a piece of a kit, any other channel, or the beat.</summary>
    private (ChannelId? Trigger, TriggerWish New)? Whom(string name, ChannelId except)
    {
        bool Is(string other) => string.Equals(name, other, StringComparison.OrdinalIgnoreCase) || string.Equals(name, $"the {other}", StringComparison.OrdinalIgnoreCase);
        var beat = new TriggerWish(work.Now.Timeline.Meter.TicksPerFeltBeat / (double)Ticks.PerQuarter);
        var called = work.Now.Channels.Where(c => c.Id != except && Is(c.Name)).ToList();
        if (called.Find(c => c.Kind == ChannelKind.Trigger) is { } trigger)
            return (trigger.Id, beat);
        if (called.Find(c => c.Kind == ChannelKind.Instrument) is { } instrument)
            return (null, beat with { With = instrument.Id });
        if (called.Find(c => c.Source is OutputSource)?.Source is OutputSource split && KitOf(split.Instrument) is { } kit)
            return (null, beat with { With = split.Instrument, Numbers = kit.Lines.Where(l => l.Output == split.Output && l.Piece is not null).Select(l => l.Piece!.Note).Distinct().ToSequence() });
        foreach (var player in work.Now.Channels)
            if (KitOf(player.Id)?.Pieces.FirstOrDefault(p => Is(p.Name)) is { } piece)
                return (null, beat with { With = player.Id, Numbers = [piece.Note] });
        if (called.Find(c => Capabilities.Of(c.Kind).FeedsKeys) is { } other)
            return (other.Id, beat);
        return Is("beat") || Is("every beat") ? (null, beat) : null;
    }

    private Kits.Kit? KitOf(ChannelId id) => work.Now.Channels[id].Source is InstrumentSource { Kit: { } kit } ? kit : null;
}
