using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Ducking;

/// <summary>One channel that shall give way, and how far.</summary>
/// <param name="DepthDb">In [1, 40].</param>
public sealed record RoomFor(ChannelId Channel, double DepthDb);

/// <summary>Several channels that give way to one trigger, said as intent: what it takes, as ordinary edits.</summary>
/// <param name="Trigger">Who they give way to; null for a new trigger.</param>
/// <param name="EveryQuarters">How often a new trigger strikes, in (0, 64].</param>
/// <param name="Ways">Who gives way, and how far.</param>
/// <param name="BackQuarters">By which note value it is back.</param>
public sealed record RoomAsk(ChannelId? Trigger, double EveryQuarters, Sequence<RoomFor> Ways, double BackQuarters, double StayMs = 0, bool Soft = false);

/// <summary>Makes room: the trigger, a compressor that hears it on each channel, and settings that do what was asked.</summary>
/// <param name="Edits">Apply whole.</param>
/// <param name="Answers">By channel, what was solved.</param>
public sealed record MakeRoom(Sequence<Edit> Edits, IReadOnlyList<(ChannelId Channel, DuckingAnswer Answer)> Answers)
{
    // A key tone of a 64th: long enough for a detector, shorter than any recovery that is asked for.
    private const int ToneTicks = Ticks.PerQuarter / 16;

    /// <param name="section">Id of the section over whose hits it is solved.</param>
    /// <returns>Or what is in the way.</returns>
    public static (MakeRoom? Room, Refusal? Why) Of(Template template, string act, string section, RoomAsk ask)
    {
        if (ask.Ways.Count == 0)
            return (null, new Refusal.Missing("channel", "", "that shall give way; choose one first"));
        if (ask.Trigger is null && !(ask.EveryQuarters is > 0 and <= 64))
            return (null, new Refusal.OutOfRange("How often the trigger strikes", ask.EveryQuarters, 0, 64, "quarter notes"));
        if (new TimeMap(template.Timeline).Find(section) is not { } placed)
            return (null, new Refusal.Missing("section", section, "on the timeline"));
        var (edits, answers, now) = (new List<Edit>(), new List<(ChannelId, DuckingAnswer)>(), template);
        Refusal? Do(Edit edit)
        {
            if (edit.ApplyTo(now) is not EditResult.Applied applied)
                return ((EditResult.Refused)edit.ApplyTo(now)).Why;
            edits.Add(edit);
            now = applied.Template;
            return null;
        }

        var trigger = ask.Trigger;
        if (trigger is null)
        {
            var made = NewTrigger(now, ask.EveryQuarters);
            if (Do(new AddChannel(made)) is { } wrong)
                return (null, wrong);
            trigger = made.Id;
        }

        foreach (var way in ask.Ways)
        {
            var ducking = new DuckingAsk(way.DepthDb, NoteValue.Milliseconds(ask.BackQuarters, placed.TempoBpm), ask.StayMs, ask.Soft);
            if ((ducking.Check() ?? Keyed(way.Channel, trigger.Value)) is { } wrong)
                return (null, wrong);
            var insert = InsertOf(now, way.Channel, trigger.Value)!;
            var (key, why) = KeySignal.Of(now, act, section, way.Channel, insert.Id);
            if (key is null)
                return (null, why);
            var answer = DuckingSolver.Solve(ducking, insert.Settings, insert.Key, key);
            if (Do(new SetSettings(way.Channel, insert.Id, answer.Settings)) is { } outside)
                return (null, outside);
            answers.Add((way.Channel, answer));
        }

        return (new(edits.ToSequence(), answers), null);

        Refusal? Keyed(ChannelId channel, ChannelId by)
        {
            if (!now.Channels.TryGet(channel, out var found))
                return new Refusal.UnknownChannel(channel);
            if (InsertOf(now, channel, by) is not null)
                return null;
            var id = Numbering.FreshId("duck", i => found.Inserts.Any(x => x.Id.Value == i.Value)).Value;
            return Do(new AddInsert(channel, new(new(id), ProcessorCatalogue.Compressor) { Key = new(true) }, PlaceOn(found)))
                ?? Do(new PutFeed(by, new(channel, new(id), new(0), TapPoint.Pre)));
        }
    }

    /// <summary>The compressor on a channel that hears a trigger; null where there is none yet.</summary>
    private static Insert? InsertOf(Template template, ChannelId channel, ChannelId by) => template.Channels.TryGet(channel, out var found) && template.Channels.TryGet(by, out var trigger)
        ? found.Inserts.FirstOrDefault(i => i is { Processor: ProcessorCatalogue.Compressor, Key.On: true } && trigger.Feeds.Any(f => f.Channel == channel && f.Insert == i.Id))
        : null;

    /// <summary>At the end, before what is kept for automation.</summary>
    private static int PlaceOn(Channel channel)
    {
        var end = channel.Inserts.Count;
        while (end > 0 && channel.Inserts[end - 1].KeptForAutomation)
            end--;
        return end;
    }

    /// <summary>Not heard, behind the curtain in every act; a plain key tone on its beats.</summary>
    private static Channel NewTrigger(Template template, double everyQuarters)
    {
        var length = Math.Max(1, (int)Math.Round(everyQuarters * Ticks.PerQuarter));
        return ChannelFactory.Make(template, new(ChannelKind.Trigger)) with
        {
            Patterns = [new("Every beat", length, [new(0, Math.Min(ToneTicks, length), 60, 100)], [])],
            Stages = Map<StageState>.From(template.Acts.Select(a => KeyValuePair.Create(a.Id, StageState.BehindTheCurtain))),
        };
    }
}
