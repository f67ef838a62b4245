using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Listening;

/// <summary>The stretch of the timeline that is rendered.</summary>
public readonly record struct RenderRange(double StartSeconds, double Seconds, double TempoBpm)
{
    /// <param name="section">Id of a section; null for the whole timeline.</param>
    public static RenderRange Of(Template template, string? section)
    {
        var map = new TimeMap(template.Timeline);
        var first = map.Sections[0];
        return section is not null && map.Find(section) is { } placed
            ? new(placed.StartSeconds, placed.LengthSeconds, placed.TempoBpm)
            : new(0, map.LengthSeconds, first.TempoBpm);
    }
}
