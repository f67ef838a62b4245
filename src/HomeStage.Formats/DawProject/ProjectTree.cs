using System.Xml.Linq;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.Arranging;
using static HomeStage.Formats.DawProject.ProjectValue;

namespace HomeStage.Formats.DawProject;

/// <summary>A template as project.xml of DAWproject 1.0 (open format; its elements are from memory).</summary>
internal static class ProjectTree
{
    /// <param name="act">Of the template.</param>
    /// <param name="paths">By content where each sound and each state of a device lies in the file.</param>
    public static XDocument Of(Template template, string act, IReadOnlyDictionary<string, string> paths)
    {
        var time = new TimeMap(template.Timeline);
        var (tempo, meter) = (time.Sections[0].TempoBpm, time.Sections[0].Meter);
        return new(new XElement("Project",
            new XAttribute("version", "1.0"),
            new XElement("Application", new XAttribute("name", "Home Stage"), new XAttribute("version", typeof(ProjectTree).Assembly.GetName().Version!.ToString(3))),
            new XElement("Transport",
                ProjectValue.Tempo.Element("Tempo", ProjectIds.Tempo, tempo, Timeline.SlowestBpm, Timeline.FastestBpm),
                new XElement("TimeSignature", new XAttribute("denominator", meter.Unit), new XAttribute("id", ProjectIds.Meter), new XAttribute("numerator", meter.Beats))),
            WithStates(TrackElements.Of(template, act), template, paths),
            Arrangement(template, time, paths)));
    }

    /// <summary>Each plug-in refers to its state, where that lies in the file.</summary>
    private static XElement WithStates(XElement structure, Template template, IReadOnlyDictionary<string, string> paths)
    {
        var plugins = structure.Descendants().Where(e => e.Name.LocalName.EndsWith("Plugin", StringComparison.Ordinal)).ToDictionary(e => e.Attribute("id")!.Value, StringComparer.Ordinal);
        foreach (var held in HeldDevice.Of(template))
            if (held.Device.State is { } state && paths.TryGetValue(state.Content, out var path)
                && plugins.TryGetValue(held.Place.Insert is { } insert ? ProjectIds.Device(held.Place.Channel, insert) : ProjectIds.Instrument(held.Place.Channel), out var plugin))
                plugin.Element("Enabled")!.AddAfterSelf(new XElement("State", new XAttribute("path", path)));
        return structure;
    }

    private static XElement Arrangement(Template template, TimeMap time, IReadOnlyDictionary<string, string> paths)
    {
        var moving = new MovingElements(template, time);
        var lanes = from row in RunningOrder.Of(template)
                    let inside = new[] { LaneElements.Clips(template, row.Channel, time, paths) }.OfType<XElement>().Concat(moving.On(row.Channel)).ToList()
                    where inside.Count > 0
                    select new XElement("Lanes", new XAttribute("track", ProjectIds.Track(row.Channel.Id)), inside);
        return new("Arrangement",
            new XElement("Lanes", new XAttribute("timeUnit", "beats"), lanes),
            new XElement("Markers", new XAttribute("timeUnit", "beats"),
                time.Sections.Select(s => new XElement("Marker", new XAttribute("name", ProjectText.Of(s.Section.Name)), new XAttribute("time", Number(LaneElements.Quarters(s.StartTick))))),
                new XElement("Marker", new XAttribute("name", FoundTimeline.EndMarker), new XAttribute("time", Number(LaneElements.Quarters(time.LengthTicks))))),
            new XElement("TempoAutomation", new XAttribute("timeUnit", "beats"), new XAttribute("unit", "bpm"), new XElement("Target", new XAttribute("parameter", ProjectIds.Tempo)),
                Changing(time, s => s.TempoBpm).Select(s => new XElement("RealPoint", At(s), new XAttribute("value", Number(s.TempoBpm)), new XAttribute("interpolation", "hold")))),
            new XElement("TimeSignatureAutomation", new XAttribute("timeUnit", "beats"), new XElement("Target", new XAttribute("parameter", ProjectIds.Meter)),
                Changing(time, s => s.Meter).Select(s => new XElement("TimeSignaturePoint", At(s), new XAttribute("numerator", s.Meter.Beats), new XAttribute("denominator", s.Meter.Unit)))));

        static XAttribute At(PlacedSection section) => new("time", Number(LaneElements.Quarters(section.StartTick)));
    }

    /// <summary>The first section, and those in which something is otherwise than in the one before.</summary>
    private static IEnumerable<PlacedSection> Changing<T>(TimeMap time, Func<PlacedSection, T> what) =>
        time.Sections.Where((s, i) => i == 0 || !Equals(what(s), what(time.Sections[i - 1])));
}
