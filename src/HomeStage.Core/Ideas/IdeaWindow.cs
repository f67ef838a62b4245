using HomeStage.Core.Timing;

namespace HomeStage.Core.Ideas;

/// <summary>The bars that are kept: those in which the last note began, in the section where it did, on that time around.</summary>
/// <param name="StartTick">From the section's start.</param>
/// <param name="EarlyTicks">A note may come early by less than this and still belong to the beat that follows.</param>
internal sealed record IdeaWindow(HeardPlace Place, PlacedSection Placed, int Pass, int StartTick, int LengthTicks, int EarlyTicks)
{
    public Section Section => Placed.Section;

    public double TempoBpm => Placed.TempoBpm;

    /// <param name="bars">How many; null for the whole section.</param>
    public static IdeaWindow Of(HeardPlace place, IReadOnlyList<PlayedNote> notes, int? bars, int earlyTicks)
    {
        var last = notes.MaxBy(n => (n.Pass, n.Seconds))!;
        var section = place.SectionAt(last.Seconds);
        var length = (int)Math.Min((long)(bars ?? section.Section.Bars) * section.Meter.TicksPerBar, section.LengthTicks);
        var tick = Math.Clamp(place.TickIn(section, last.Seconds), 0, section.LengthTicks - 1);
        var window = new IdeaWindow(place, section, last.Pass, (int)(tick / length) * length, length, Math.Min(earlyTicks, length / 2));
        // Who ends on the first beat of the next bars means those before.
        var ended = notes.All(n => window.TickOf(n) is not { } t || t < window.EarlyTicks);
        return ended && window.Before() is { } before && notes.Any(n => before.TickOf(n) is { } t && t >= before.EarlyTicks) ? before : window;
    }

    /// <returns>Ticks from the first of the bars, below 0 for what came early for it; null for what was played at another time.</returns>
    public double? TickOf(PlayedNote note)
    {
        // Around the loop: what came early for its first beat was played at the end of the time before.
        var tick = note.Pass == Pass ? Place.TickIn(Placed, note.Seconds) - StartTick
            : note.Pass == Pass - 1 && StartTick == 0 && ReferenceEquals(Place.Heard[0], Placed) ? Place.TickIn(Place.Heard[^1], note.Seconds) - Place.Heard[^1].LengthTicks
            : double.NaN;
        return tick >= -EarlyTicks && tick < (note.Pass == Pass ? LengthTicks : 0) ? tick : null;
    }

    /// <returns>The bars before these, where they were heard; null where there are none.</returns>
    private IdeaWindow? Before() =>
        StartTick > 0 ? this with { StartTick = StartTick - LengthTicks }
        : Place.Heard.Count == 1 ? this with { Pass = Pass - 1, StartTick = (int)((Placed.LengthTicks - 1) / LengthTicks) * LengthTicks }
        : null;
}
