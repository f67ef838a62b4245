using System.Xml.Linq;
using HomeStage.Core.Timing;

namespace HomeStage.Formats.DawProject;

/// <summary>Markers, tempo and meter of an arrangement as sections; where there are no markers it is one.</summary>
internal static class ReadTime
{
    private const double HardlyApart = 1e-6;
    private const int MostSections = 200;
    private const int LongestBars = 999;

    public static Timeline Of(XElement project, LeftOut left)
    {
        var transport = project.Element("Transport");
        var arrangement = project.Element("Arrangement");
        var tempo = Tempo(transport?.Element("Tempo").Number("value")) ?? 120;
        var meter = MeterOf(transport?.Element("TimeSignature")) ?? new(4, 4);
        var tempos = Changes(arrangement?.Element("TempoAutomation"), "RealPoint", p => Tempo(p.Number("value")));
        var meters = Changes(arrangement?.Element("TimeSignatureAutomation"), "TimeSignaturePoint", MeterOf);
        if (arrangement?.Element("TempoAutomation")?.Elements("RealPoint").Any(p => p.Text("interpolation") == "linear") == true)
            left.Add("A tempo that glides: each section has the tempo with which it begins.");
        var (firstTempo, firstMeter) = (At(tempos, 0) ?? tempo, At(meters, 0) ?? meter);
        var marks = Marks(arrangement, left);
        var end = Math.Max(marks[^1].Quarters, EndOf(arrangement));
        // A last marker of that name is the end itself, and no section.
        if (marks.Count > 1 && string.Equals(marks[^1].Name, ProjectTree.EndMarker, StringComparison.OrdinalIgnoreCase))
        {
            end = marks[^1].Quarters;
            marks.RemoveAt(marks.Count - 1);
        }

        var sections = new List<Section>();
        foreach (var (mark, number) in marks.Select((m, i) => (m, i)))
        {
            var (own, bpm) = (At(meters, mark.Quarters) ?? meter, At(tempos, mark.Quarters) ?? tempo);
            var bars = ((number + 1 < marks.Count ? marks[number + 1].Quarters : end) - mark.Quarters) * Ticks.PerQuarter / own.TicksPerBar;
            var whole = Math.Clamp((int)Math.Ceiling(bars - HardlyApart), 1, LongestBars);
            if (number + 1 < marks.Count && Math.Abs(bars - whole) > HardlyApart)
                left.Add($"{mark.Name} has {FormattableString.Invariant($"{bars:0.##}")} bars and becomes {whole}.");
            var name = Numbering.Free(mark.Name, n => sections.Exists(s => s.Name == n));
            sections.Add(new(Numbering.Fresh(Identifier.Of(name, "section"), id => sections.Exists(s => s.Id == id)), name, whole, bpm == firstTempo ? null : bpm, own == firstMeter ? null : own));
        }

        return new(firstTempo, firstMeter, sections.ToSequence());
    }

    /// <summary>Where each section of the file begins, in its own quarter notes: they go by the file where a section here is longer.</summary>
    public static IReadOnlyList<double> Starts(XElement project, Timeline timeline) => [.. Marks(project.Element("Arrangement"), new()).Select(m => m.Quarters).Take(timeline.Sections.Count)];

    private static List<(string Name, double Quarters)> Marks(XElement? arrangement, LeftOut left)
    {
        var marks = (arrangement?.Element("Markers")?.Elements("Marker") ?? []).Select(m => (Name: TextRules.Cleaned(m.Text("name"), TextRules.LongestSection), Quarters: m.Number("time") ?? -1))
            .Where(m => m.Quarters >= 0).OrderBy(m => m.Quarters).DistinctBy(m => Math.Round(m.Quarters / HardlyApart)).Select(m => (m.Name.Length > 0 ? m.Name : "Section", m.Quarters)).ToList();
        if (marks.Count > MostSections)
        {
            left.Add($"More than {MostSections} markers.");
            marks = marks[..MostSections];
        }

        if (marks.Count == 0 || marks[0].Quarters > HardlyApart)
            marks.Insert(0, (marks.Count == 0 ? "Song" : "Before", 0));
        return marks;
    }

    private static double EndOf(XElement? arrangement) =>
        (arrangement?.Descendants("Clip") ?? []).Select(c => (c.Number("time") ?? 0) + (c.Number("duration") ?? 0)).Where(e => e is > 0 and < 1e6).DefaultIfEmpty(0).Max();

    private static double? Tempo(double? bpm) => bpm is >= Timeline.SlowestBpm and <= Timeline.FastestBpm ? Math.Round(bpm.Value, 6) : null;

    private static Meter? MeterOf(XElement? element) =>
        element.Whole("numerator") is { } beats and >= 1 and <= 32 && element.Whole("denominator") is { } unit and (1 or 2 or 4 or 8 or 16 or 32) ? new(beats, unit) : null;

    private static List<(double Quarters, T Value)> Changes<T>(XElement? points, string name, Func<XElement, T?> of) where T : notnull =>
        [.. (points?.Elements(name) ?? []).Select(p => (Quarters: p.Number("time"), Value: of(p))).Where(p => p.Quarters is not null && p.Value is not null).Select(p => (p.Quarters!.Value, p.Value!)).OrderBy(p => p.Item1)];

    private static List<(double Quarters, double Value)> Changes(XElement? points, string name, Func<XElement, double?> of) =>
        [.. (points?.Elements(name) ?? []).Select(p => (Quarters: p.Number("time"), Value: of(p))).Where(p => p.Quarters is not null && p.Value is not null).Select(p => (p.Quarters!.Value, p.Value!.Value)).OrderBy(p => p.Item1)];

    private static double? At(List<(double Quarters, double Value)> changes, double quarters) => changes.FindLastIndex(c => c.Quarters <= quarters + HardlyApart) is >= 0 and var at ? changes[at].Value : null;

    private static Meter? At(List<(double Quarters, Meter Value)> changes, double quarters) => changes.FindLastIndex(c => c.Quarters <= quarters + HardlyApart) is >= 0 and var at ? changes[at].Value : null;
}
