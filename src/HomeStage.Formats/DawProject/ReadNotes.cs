using System.Xml.Linq;
using HomeStage.Core.Timing;

namespace HomeStage.Formats.DawProject;

/// <summary>Clips of notes as starters: what lies in a section becomes one as long as the section; the same in several sections is one starter of all of them.</summary>
internal static class ReadNotes
{
    public const int MostNotes = 200_000;
    private const int MostVelocity = 127;

    /// <param name="lanes">Of one track.</param>
    /// <param name="starts">Of the sections, in quarter notes of the file.</param>
    public static Sequence<Pattern> Patterns(IEnumerable<XElement> lanes, Timeline timeline, IReadOnlyList<double> starts, ReadingBudget budget)
    {
        var bySection = new SortedDictionary<int, (SortedSet<string> Names, List<Note> Notes)>();
        foreach (var (name, quarters, note) in lanes.SelectMany(l => l.Descendants("Clip")).SelectMany(Notes))
        {
            budget.Spend(1);
            var at = SectionAt(starts, quarters);
            var section = timeline.Sections[at];
            var start = (int)Math.Round((quarters - starts[at]) * Ticks.PerQuarter);
            if (start < 0 || start >= timeline.TicksOf(section))
                continue;
            if (!bySection.TryGetValue(at, out var found))
                bySection[at] = found = (new(StringComparer.Ordinal), []);
            found.Names.Add(name);
            found.Notes.Add(note with { StartTick = start });
        }

        var patterns = new List<Pattern>();
        foreach (var (at, (names, notes)) in bySection)
        {
            var section = timeline.Sections[at];
            var made = new Pattern("", timeline.TicksOf(section), notes.OrderBy(n => n.StartTick).ThenBy(n => n.Number).ToSequence(), []);
            if (patterns.FindIndex(p => p.LengthTicks == made.LengthTicks && p.Notes.Equals(made.Notes)) is >= 0 and var same)
                patterns[same] = patterns[same] with { Sections = patterns[same].Sections.Add(section.Id) };
            else
                patterns.Add(made with { Name = Numbering.Free(TextRules.Cleaned(string.Join(", ", names), TextRules.LongestName) is { Length: > 0 } said ? said : "Notes", n => patterns.Exists(p => p.Name == n)), Sections = [section.Id] });
        }

        return patterns.OrderBy(p => p.Name, StringComparer.Ordinal).ToSequence();
    }

    /// <summary>Notes of a clip where they lie on the file's timeline, again and again where it loops; what lies beyond its end does not sound.</summary>
    private static IEnumerable<(string Name, double Quarters, Note Note)> Notes(XElement clip)
    {
        if (clip.Element("Notes") is not { } notes || clip.Number("time") is not { } time || clip.Text("contentTimeUnit") == "seconds" || clip.Truth("enable") == false)
            yield break;
        var (length, from) = (clip.Number("duration") ?? double.MaxValue, clip.Number("playStart") ?? 0);
        var loop = clip.Number("loopEnd") is { } end && end > (clip.Number("loopStart") ?? 0) ? end - (clip.Number("loopStart") ?? 0) : 0;
        foreach (var element in notes.Elements("Note"))
        {
            if (element.Number("time") is not { } start || element.Whole("key") is not (>= 0 and <= 127 and var key) || element.Number("duration") is not > 0)
                continue;
            var ticks = Math.Clamp((long)Math.Round(element.Number("duration")!.Value * Ticks.PerQuarter), 1, Pattern.LongestTicks);
            var note = new Note(0, (int)ticks, key, Math.Clamp((int)Math.Round((element.Number("vel") ?? 0.8) * MostVelocity), 1, MostVelocity));
            for (var at = start - from; at < length; at += loop)
            {
                if (at >= 0)
                    yield return (clip.Text("name") ?? "", time + at, note);
                if (loop <= 0)
                    break;
            }
        }
    }

    private static int SectionAt(IReadOnlyList<double> starts, double quarters)
    {
        var at = 0;
        while (at + 1 < starts.Count && starts[at + 1] <= quarters + 1e-6)
            at++;
        return at;
    }
}
