using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Ducking;

/// <summary>One channel that shall give way, and how far.</summary>
/// <param name="DepthDb">In [1, 40].</param>
public sealed record RoomFor(ChannelId Channel, double DepthDb);

/// <summary>Several channels that give way to one trigger, said as intent.</summary>
/// <param name="Trigger">Who they give way to; null for what <paramref name="New"/> says.</param>
/// <param name="New">What a new trigger strikes with.</param>
/// <param name="Ways">Who gives way, and how far.</param>
/// <param name="BackQuarters">By which note value it is back.</param>
/// <param name="ByNotes">Whether notes or beats restart a drawn curve, in place of a compressor that hears a key.</param>
public sealed record RoomAsk(ChannelId? Trigger, TriggerWish New, Sequence<RoomFor> Ways, double BackQuarters, double StayMs = 0, bool Soft = false, bool ByNotes = false);

/// <summary>Makes room: the trigger, a ducker that follows it on each channel, and settings that do what was asked.</summary>
/// <param name="Edits">Apply whole.</param>
/// <param name="Answers">By channel, what was solved; nothing of those that work by notes.</param>
public sealed record MakeRoom(Sequence<Edit> Edits, IReadOnlyList<(ChannelId Channel, DuckingAnswer Answer)> Answers)
{
    /// <param name="section">Id of the section over whose hits it is solved.</param>
    /// <param name="shelf">Where uploaded sound is found; null for none.</param>
    /// <returns>Or what is in the way.</returns>
    /// <exception cref="OperationCanceledException">Cancelled.</exception>
    public static (MakeRoom? Room, Refusal? Why) Of(Template template, string act, string section, RoomAsk ask, IMediaShelf? shelf = null, CancellationToken cancellation = default)
    {
        if (ask.Ways.Count == 0)
            return (null, new Refusal.Missing("channel", "", "that shall give way; choose one first"));
        if (ask.Trigger is null && ask.New.Check(template) is { } unclear)
            return (null, unclear);
        if (new TimeMap(template.Timeline).Find(section) is not { } placed)
            return (null, new Refusal.Missing("section", section, "on the timeline"));
        var work = new GatheredEdits(template);
        var follows = ask.Trigger is { } there ? Following.One(there) : ask.ByNotes ? Following.Notes(ask.New) : Following.Nobody;
        if (follows == Following.Nobody)
        {
            var (made, edits) = ask.New.Made(template);
            if (work.Do(edits) is { } wrong)
                return (null, wrong);
            follows = Following.One(made);
        }

        var answers = new List<(ChannelId, DuckingAnswer)>();
        foreach (var way in ask.Ways)
        {
            if (Keyed(work, way.Channel, follows, ask.ByNotes) is { } wrong)
                return (null, wrong);
            var ducker = DuckerOn(work.Now, way.Channel, follows, ask.ByNotes)!;
            var (asked, why) = AskedDucker.Of(work.Now, act, placed, ducker, new(way.DepthDb, NoteValue.Milliseconds(ask.BackQuarters, placed.TempoBpm), ask.StayMs, ask.Soft), shelf, cancellation);
            if ((asked is null ? why : work.Do(asked.Edits)) is { } outside)
                return (null, outside);
            if (asked!.Answer is { } answer)
                answers.Add((way.Channel, answer));
        }

        return (new(work.Edits, answers), null);
    }

    /// <summary>Puts a ducker that follows onto a channel where there is none yet.</summary>
    private static Refusal? Keyed(GatheredEdits work, ChannelId id, Following follows, bool byNotes)
    {
        if (!work.Now.Channels.TryGet(id, out var channel))
            return new Refusal.UnknownChannel(id);
        if (DuckerOn(work.Now, id, follows, byNotes) is not null)
            return null;
        var insert = new InsertId(Numbering.FreshId("duck", i => channel.Inserts.Any(x => x.Id.Value == i.Value)).Value);
        return byNotes
            ? work.Do([new AddInsert(id, new(insert, ProcessorCatalogue.Ducker) { Trigger = follows.Trigger }, ChainLaying.EndOf(channel))])
            : work.Do([new AddInsert(id, new(insert, ProcessorCatalogue.Compressor) { Key = new(true) }, ChainLaying.EndOf(channel)), new PutFeed(follows.Channel!.Value, new(id, insert, new(0), TapPoint.Pre))]);
    }

    /// <summary>What on a channel follows already; null where nothing does.</summary>
    private static Ducker? DuckerOn(Template template, ChannelId channel, Following follows, bool byNotes) => Ducker.In(template).FirstOrDefault(d =>
        d.Channel == channel && d.Way == (byNotes ? DuckingWay.Notes : DuckingWay.Level)
        && (byNotes ? follows.IsHeardBy(template.Channels[channel].Inserts.First(i => i.Id == d.Insert).Trigger) : d.By.Contains(follows.Channel!.Value)));

    /// <summary>Whom they give way to: a channel, some of its notes, or beats.</summary>
    private sealed record Following(ChannelId? Channel, NoteTrigger? Trigger)
    {
        /// <summary>There has to be a trigger first.</summary>
        public static readonly Following Nobody = new(null, null);

        public static Following One(ChannelId channel) => new(channel, NoteTrigger.Plain with { Notes = [channel], EveryQuarters = null });

        /// <summary>Notes and beats need no trigger; what is off the beat needs one that plays it.</summary>
        public static Following Notes(TriggerWish wish) =>
            wish.With is { } with ? new(with, NoteTrigger.Plain with { Notes = [with], EveryQuarters = null, Numbers = wish.Numbers })
            : wish.LateQuarters > 0 ? Nobody
            : new(null, NoteTrigger.Plain with { EveryQuarters = wish.EveryQuarters });

        public bool IsHeardBy(NoteTrigger? other) => Trigger is { } mine && other is not null && other with { Curve = mine.Curve } == mine;
    }
}
