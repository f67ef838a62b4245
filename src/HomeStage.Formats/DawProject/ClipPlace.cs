using System.Xml.Linq;

namespace HomeStage.Formats.DawProject;

/// <summary>Where a clip is heard on the timeline, through the clips that it lies in.</summary>
/// <param name="Start">Where it begins to be heard, in quarter notes.</param>
/// <param name="End">Where it ends; infinity where nothing says so.</param>
/// <param name="Origin">Where its content would begin if all of it were heard, in quarter notes; before the start where its beginning is cut away.</param>
/// <param name="Loops">Whether its content is repeated.</param>
internal sealed record ClipPlace(double Start, double End, double Origin, bool Loops)
{
    /// <returns>Null for what is switched off, is counted in seconds, or lies in something that is repeated.</returns>
    public static ClipPlace? Of(XElement clip)
    {
        if (clip.Ancestors().Any(a => a.Text("timeUnit") == "seconds"))
            return null;
        var (origin, start, end) = (0.0, double.NegativeInfinity, double.PositiveInfinity);
        foreach (var part in clip.AncestorsAndSelf().Where(e => e.Name.LocalName == "Clip").Reverse())
        {
            if (part.Truth("enable") == false || part.Number("time") is not { } time || (part != clip && part.Number("loopEnd") is not null))
                return null;
            var at = origin + time;
            (start, end) = (Math.Max(start, at), Math.Min(end, at + (part.Number("duration") ?? double.PositiveInfinity)));
            // What a clip plays from is counted by its content, which goes in beats here where nothing is said.
            if (part.Number("playStart") is { } skipped && skipped != 0 && part.Text("contentTimeUnit") == "seconds")
                return null;
            origin = at - (part.Number("playStart") ?? 0);
        }

        // What is said to begin before its content is silent until that comes.
        start = Math.Max(start, origin);

        return end > start && start >= 0 ? new(start, end, origin, clip.Number("loopEnd") is not null) : null;
    }
}
