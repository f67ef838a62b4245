using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Ideas;

/// <summary>The last bars of what was played, as a starter of the channel that played them.</summary>
/// <param name="Section">Id of the section that it is for.</param>
/// <param name="Edits">By which the channel has it; they belong in one batch.</param>
public sealed record FirstIdea(Pattern Pattern, string Section, Sequence<Edit> Edits)
{
    /// <summary>A note that comes early by less than this belongs to the beat that follows, whatever the grid.</summary>
    private const double EarlySeconds = 0.06;

    /// <returns>The idea, or what is in the way.</returns>
    public static (FirstIdea? Idea, Refusal? Why) Of(Template template, Played played, IdeaWish wish)
    {
        if ((played.Check() ?? wish.Check()) is { } wrong)
            return (null, wrong);
        if (!template.Channels.TryGet(played.Channel, out var channel))
            return (null, new Refusal.UnknownChannel(played.Channel));
        if (channel.Kind is not (ChannelKind.Instrument or ChannelKind.Notes))
            return (null, new Refusal.WrongPlace(channel.Name, "has no notes of its own; an idea is played into an instrument"));
        if (played.Section is not null && template.Timeline.Sections.All(s => s.Id != played.Section))
            return (null, new Refusal.Missing("section", played.Section, "on the timeline"));
        var groove = wish.Groove is null ? null : template.Grooves.FirstOrDefault(g => g.Name == wish.Groove);
        if (wish.Groove is not null && groove is null)
            return (null, new Refusal.Missing("groove", wish.Groove, "in this template"));

        var place = new HeardPlace(template.Timeline, played.Section);
        var window = IdeaWindow.Of(place, played.Notes, wish.Bars, EarlyTicks(place, played, wish));
        var notes = NotesIn(window, played, channel, wish, groove);
        var pattern = new Pattern(Numbering.Free("Idea", name => channel.Patterns.Any(p => p.Name == name)), window.LengthTicks, notes, [window.Section.Id]);
        Sequence<Edit> edits = [.. Cleared(template, channel, window.Section.Id), new PutPattern(channel.Id, pattern), .. wish.Wheels ? IdeaCurves.Of(channel, window, played.Wheels) : []];
        return Batch.Apply(template, edits) is BatchResult.Refused refused ? (null, refused.Why) : (new(pattern, window.Section.Id, edits), null);
    }

    private static int EarlyTicks(HeardPlace place, Played played, IdeaWish wish) =>
        Math.Max(wish.GridTicks / 2, (int)NoteValue.TicksIn(EarlySeconds, place.SectionAt(played.Notes.MaxBy(n => (n.Pass, n.Seconds))!.Seconds).TempoBpm));

    private static Sequence<Note> NotesIn(IdeaWindow window, Played played, Channel channel, IdeaWish wish, Groove? groove)
    {
        var placed = played.Notes.Select(n => (Note: n, Tick: window.TickOf(n))).Where(n => n.Tick is not null).Select(n => (n.Note, Tick: n.Tick!.Value)).ToList();
        var firsts = placed.Where(n => n.Tick < window.EarlyTicks).Select(n => n.Note.Number).ToHashSet();
        // What came early for the beat after the last is that of the first, which is there already.
        return placed.Where(n => n.Tick < window.LengthTicks - window.EarlyTicks || !firsts.Contains(n.Note.Number)).Select(n => NoteAt(n.Tick, n.Note, window, channel, wish, groove))
            .OrderBy(n => n.StartTick).ThenBy(n => n.Number).DistinctBy(n => (n.StartTick, n.Number)).ToSequence();
    }

    private static Note NoteAt(double tick, PlayedNote played, IdeaWindow window, Channel channel, IdeaWish wish, Groove? groove)
    {
        var start = (int)Math.Round(tick + wish.Strength * (OnGrid(tick, wish.GridTicks, groove) - tick));
        // What is still before the first beat, or has been pulled onto the one after the last, sounds there each time around.
        start = (start % window.LengthTicks + window.LengthTicks) % window.LengthTicks;
        var length = (int)Math.Clamp(Math.Round(NoteValue.TicksIn(played.LengthSeconds, window.TempoBpm)), 1, window.LengthTicks);
        return new(start, length, channel.NoteInput?.NoteOf(played.Number) ?? played.Number, played.Velocity);
    }

    private static double OnGrid(double tick, int gridTicks, Groove? groove)
    {
        var straight = Math.Round(tick / gridTicks) * gridTicks;
        // Before the window the groove is that of the cycle before.
        return groove is null ? straight : groove.Moved((long)straight + groove.CycleTicks) - groove.CycleTicks;
    }

    /// <summary>Where a channel replaces what it has, other starters leave the section.</summary>
    private static IEnumerable<Edit> Cleared(Template template, Channel channel, string section)
    {
        if (channel.NoteInput?.Recording != NoteRecording.Replaces)
            yield break;
        foreach (var pattern in channel.Patterns.Where(p => p.Sections.Count == 0 || p.Sections.Contains(section)))
        {
            var left = (pattern.Sections.Count == 0 ? template.Timeline.Sections.Select(s => s.Id) : pattern.Sections).Where(s => s != section).ToSequence();
            yield return left.Count == 0 ? new RemovePattern(channel.Id, pattern.Name) : new PutPattern(channel.Id, pattern with { Sections = left });
        }
    }
}
