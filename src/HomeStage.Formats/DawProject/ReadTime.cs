using System.Xml.Linq;
using HomeStage.Core.Timing;
using HomeStage.Formats.Arranging;

namespace HomeStage.Formats.DawProject;

/// <summary>Markers, tempo and meter of an arrangement.</summary>
internal static class ReadTime
{
    public static FoundTimeline Of(XElement project, LeftOut left)
    {
        var (transport, arrangement) = (project.Element("Transport"), project.Element("Arrangement"));
        if (arrangement?.Element("TempoAutomation")?.Elements("RealPoint").Any(p => p.Text("interpolation") == "linear") == true)
            left.Add("A tempo that glides: each section has the tempo with which it begins.");
        return FoundTimeline.Of(
            (arrangement?.Element("Markers")?.Elements("Marker") ?? []).Select(m => (m.Text("name") ?? "", m.Number("time") ?? -1)),
            [.. Changes(arrangement?.Element("TempoAutomation"), "RealPoint").Select(p => (p.Quarters, Value: Tempo(p.Point.Number("value")))).Where(p => p.Value is not null).Select(p => (p.Quarters, p.Value!.Value))],
            [.. Changes(arrangement?.Element("TimeSignatureAutomation"), "TimeSignaturePoint").Select(p => (p.Quarters, Value: MeterOf(p.Point))).Where(p => p.Value is not null).Select(p => (p.Quarters, p.Value!))],
            Tempo(transport?.Element("Tempo").Number("value")) ?? 120, MeterOf(transport?.Element("TimeSignature")) ?? new(4, 4), EndOf(arrangement), left);
    }

    private static double EndOf(XElement? arrangement) =>
        (arrangement?.Descendants("Clip") ?? []).Select(c => (c.Number("time") ?? 0) + (c.Number("duration") ?? 0)).Where(e => e is > 0 and < 1e6).DefaultIfEmpty(0).Max();

    private static double? Tempo(double? bpm) => bpm is >= Timeline.SlowestBpm and <= Timeline.FastestBpm ? Math.Round(bpm.Value, 6) : null;

    private static Meter? MeterOf(XElement? element) =>
        element.Whole("numerator") is { } beats and >= 1 and <= 32 && element.Whole("denominator") is { } unit and (1 or 2 or 4 or 8 or 16 or 32) ? new(beats, unit) : null;

    private static IEnumerable<(double Quarters, XElement Point)> Changes(XElement? points, string name) =>
        (points?.Elements(name) ?? []).Where(p => p.Number("time") is not null).Select(p => (p.Number("time")!.Value, p));
}
