using HomeStage.Core.Timing;

namespace HomeStage.Formats.Arranging;

/// <summary>Notes of a file from elsewhere as starters: what lies in a section becomes one as long as the section; the same in several sections is one starter of all of them.</summary>
internal static class FoundNotes
{
    /// <param name="notes">Where each begins in the file, in its quarter notes, and the name of what it lies in; the start of the note itself is of no meaning.</param>
    public static Sequence<Pattern> Patterns(IEnumerable<(string Name, double Quarters, Note Note)> notes, FoundTimeline found, ReadingBudget budget)
    {
        var (timeline, starts) = found;
        var bySection = new SortedDictionary<int, (SortedSet<string> Names, List<Note> Notes)>();
        foreach (var (name, quarters, note) in notes)
        {
            budget.Spend(1);
            var at = SectionAt(starts, quarters);
            var section = timeline.Sections[at];
            var start = (int)Math.Round((quarters - starts[at]) * Ticks.PerQuarter);
            if (start < 0 || start >= timeline.TicksOf(section))
                continue;
            if (!bySection.TryGetValue(at, out var there))
                bySection[at] = there = (new(StringComparer.Ordinal), []);
            there.Names.Add(name);
            there.Notes.Add(note with { StartTick = start });
        }

        var patterns = new List<Pattern>();
        foreach (var (at, (names, placed)) in bySection)
        {
            var section = timeline.Sections[at];
            var made = new Pattern("", timeline.TicksOf(section), placed.OrderBy(n => n.StartTick).ThenBy(n => n.Number).ToSequence(), []);
            if (patterns.FindIndex(p => p.LengthTicks == made.LengthTicks && p.Notes.Equals(made.Notes)) is >= 0 and var same)
                patterns[same] = patterns[same] with { Sections = patterns[same].Sections.Add(section.Id) };
            else
                patterns.Add(made with { Name = Numbering.Free(TextRules.Cleaned(string.Join(", ", names), TextRules.LongestName) is { Length: > 0 } said ? said : "Notes", n => patterns.Exists(p => p.Name == n)), Sections = [section.Id] });
        }

        return patterns.OrderBy(p => p.Name, StringComparer.Ordinal).ToSequence();
    }

    private static int SectionAt(IReadOnlyList<double> starts, double quarters)
    {
        var at = 0;
        while (at + 1 < starts.Count && starts[at + 1] <= quarters + 1e-6)
            at++;
        return at;
    }
}
