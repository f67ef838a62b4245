
namespace HomeStage.Core.Timing;

/// <summary>Where each section starts, in ticks and in seconds.</summary>
public sealed class TimeMap
{
    private readonly List<PlacedSection> _sections = [];

    public TimeMap(Timeline timeline)
    {
        long tick = 0;
        var seconds = 0.0;
        foreach (var section in timeline.Sections)
        {
            var placed = new PlacedSection(section, timeline.MeterOf(section), timeline.TempoOf(section), tick, seconds,
                timeline.TicksOf(section), timeline.SecondsOf(section));
            _sections.Add(placed);
            tick += placed.LengthTicks;
            seconds += placed.LengthSeconds;
        }

        LengthTicks = tick;
        LengthSeconds = seconds;
    }

    public IReadOnlyList<PlacedSection> Sections => _sections;

    public long LengthTicks { get; }

    public double LengthSeconds { get; }

    /// <param name="tick">From the start of the timeline; beyond its end the last tempo goes on.</param>
    /// <returns>Seconds from the start of the timeline.</returns>
    public double SecondsAt(long tick)
    {
        var section = _sections.FindLast(s => s.StartTick <= tick) ?? _sections[0];
        return section.SecondsAt(tick - section.StartTick);
    }

    /// <param name="section">Its id.</param>
    public PlacedSection? Find(string section) => _sections.Find(s => s.Section.Id == section);

    /// <summary>Every note that the patterns sound, in order of time; a note is cut where its section ends.</summary>
    public IEnumerable<PlacedNote> Lay(IEnumerable<Pattern> patterns)
    {
        var notes =
            from placed in _sections
            from pattern in patterns
            where pattern.PlaysIn(placed.Section)
            from note in Repeat(pattern, placed)
            select note;
        return notes.OrderBy(n => n.StartTick).ThenBy(n => n.Number);
    }

    private static IEnumerable<PlacedNote> Repeat(Pattern pattern, PlacedSection placed)
    {
        for (long cycle = 0; cycle < placed.LengthTicks; cycle += pattern.LengthTicks)
        {
            foreach (var note in pattern.Notes)
            {
                var start = cycle + note.StartTick;
                if (start >= placed.LengthTicks)
                    continue;
                var end = Math.Min(start + note.LengthTicks, placed.LengthTicks);
                yield return new(placed.StartTick + start, end - start, placed.SecondsAt(start), placed.SecondsAt(end), note.Number, note.Velocity);
            }
        }
    }
}

/// <summary>A section on the timeline.</summary>
public sealed record PlacedSection(
    Section Section, Meter Meter, double TempoBpm, long StartTick, double StartSeconds, long LengthTicks, double LengthSeconds)
{
    /// <param name="tickInSection">From the section's start.</param>
    /// <returns>Seconds from the start of the timeline.</returns>
    public double SecondsAt(long tickInSection) => StartSeconds + NoteValue.Seconds(tickInSection, TempoBpm);
}

/// <summary>A note of a pattern where it sounds on the timeline.</summary>
public sealed record PlacedNote(long StartTick, long LengthTicks, double StartSeconds, double EndSeconds, int Number, int Velocity);
