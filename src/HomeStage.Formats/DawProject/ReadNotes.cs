using System.Xml.Linq;
using HomeStage.Core.Timing;
using HomeStage.Formats.Arranging;

namespace HomeStage.Formats.DawProject;

/// <summary>Clips of notes as starters.</summary>
internal static class ReadNotes
{
    public const int MostNotes = 200_000;
    private const int MostVelocity = 127;

    /// <param name="lanes">Of one track.</param>
    public static Sequence<Pattern> Patterns(IEnumerable<XElement> lanes, FoundTimeline found, ReadingBudget budget) =>
        FoundNotes.Patterns(lanes.SelectMany(l => l.Descendants("Clip")).SelectMany(Notes), found, budget);

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
}
