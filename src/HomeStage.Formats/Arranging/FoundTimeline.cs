using HomeStage.Core.Timing;

namespace HomeStage.Formats.Arranging;

/// <summary>Markers, tempo and meter of a file from elsewhere as sections; where there are no markers it is one.</summary>
/// <param name="Starts">Where each section begins in the file, in its own quarter notes: they go by the file where a section here is longer.</param>
internal sealed record FoundTimeline(Timeline Timeline, IReadOnlyList<double> Starts)
{
    /// <summary>What a marker is called that stands where the last section ends, where a format says no length.</summary>
    public const string EndMarker = "End";

    /// <summary>In quarter notes.</summary>
    private const double HardlyApart = 1e-6;

    private const int MostSections = 200;
    private const int LongestBars = 999;

    /// <param name="markers">In any order, at quarter notes from 0.</param>
    /// <param name="tempo">Where the file says none.</param>
    /// <param name="meter">Where the file says none.</param>
    /// <param name="end">Where the last thing ends, in quarter notes.</param>
    public static FoundTimeline Of(
        IEnumerable<(string Name, double Quarters)> markers, IReadOnlyList<(double Quarters, double Bpm)> tempos, IReadOnlyList<(double Quarters, Meter Meter)> meters, double tempo, Meter meter, double end, LeftOut left)
    {
        var (tempoAt, meterAt) = (tempos.OrderBy(t => t.Quarters).ToList(), meters.OrderBy(m => m.Quarters).ToList());
        double BpmAt(double quarters) => tempoAt.FindLastIndex(c => c.Quarters <= quarters + HardlyApart) is >= 0 and var at ? tempoAt[at].Bpm : tempo;
        Meter MeterAt(double quarters) => meterAt.FindLastIndex(c => c.Quarters <= quarters + HardlyApart) is >= 0 and var at ? meterAt[at].Meter : meter;
        var marks = Marks(markers, left);
        // A last marker of that name is the end itself, and no section.
        if (marks.Count > 1 && string.Equals(marks[^1].Name, EndMarker, StringComparison.OrdinalIgnoreCase))
        {
            end = marks[^1].Quarters;
            marks.RemoveAt(marks.Count - 1);
        }

        end = Math.Max(marks[^1].Quarters, end);
        var (firstTempo, firstMeter) = (BpmAt(0), MeterAt(0));
        var sections = new List<Section>();
        foreach (var (mark, number) in marks.Select((m, i) => (m, i)))
        {
            var (own, bpm) = (MeterAt(mark.Quarters), BpmAt(mark.Quarters));
            var bars = ((number + 1 < marks.Count ? marks[number + 1].Quarters : end) - mark.Quarters) * Ticks.PerQuarter / own.TicksPerBar;
            var whole = Math.Clamp((int)Math.Ceiling(bars - HardlyApart), 1, LongestBars);
            if (number + 1 < marks.Count && Math.Abs(bars - whole) > HardlyApart)
                left.Add($"{mark.Name} has {FormattableString.Invariant($"{bars:0.##}")} bars and becomes {whole}.");
            var name = Numbering.Free(mark.Name, n => sections.Exists(s => s.Name == n));
            sections.Add(new(Numbering.Fresh(Identifier.Of(name, "section"), id => sections.Exists(s => s.Id == id)), name, whole, bpm == firstTempo ? null : bpm, own == firstMeter ? null : own));
        }

        return new(new(firstTempo, firstMeter, sections.ToSequence()), [.. marks.Select(m => m.Quarters)]);
    }

    private static List<(string Name, double Quarters)> Marks(IEnumerable<(string Name, double Quarters)> markers, LeftOut left)
    {
        var marks = markers.Select(m => (Name: TextRules.Cleaned(m.Name, TextRules.LongestSection), m.Quarters))
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
}
