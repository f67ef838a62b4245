using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Listening;

/// <summary>The stretch of the timeline that is rendered.</summary>
/// <param name="StartSeconds">Where the render begins, from rest.</param>
/// <param name="LeadSeconds">What is worked out before the part that is kept, so that echoes, tails and detectors come into it as in the song; 0 for none.</param>
/// <param name="Seconds">The part that is kept.</param>
public readonly record struct RenderRange(double StartSeconds, double LeadSeconds, double Seconds, double TempoBpm)
{
    public static RenderRange Of(Template template, RenderRequest request)
    {
        var map = new TimeMap(template.Timeline);
        var first = map.Sections[0];
        if (request.Section is null || map.Find(request.Section) is not { } placed)
            return new(0, 0, map.LengthSeconds, first.TempoBpm);
        return request.Lead == RenderLead.AsInTheSong
            ? new(0, placed.StartSeconds, placed.LengthSeconds, first.TempoBpm)
            : new(placed.StartSeconds, 0, placed.LengthSeconds, placed.TempoBpm);
    }

    /// <returns>Frames before the part that is kept.</returns>
    public long LeadFrames(int sampleRateHz) => (long)Math.Round(LeadSeconds * sampleRateHz);

    /// <returns>Frames of the part that is kept.</returns>
    public long Frames(int sampleRateHz) => (long)Math.Round(Seconds * sampleRateHz);
}
