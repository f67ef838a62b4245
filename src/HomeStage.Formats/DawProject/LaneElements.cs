using System.Xml.Linq;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.Formats.DawProject.ProjectValue;

namespace HomeStage.Formats.DawProject;

/// <summary>What plays on a track: a clip of notes for each section in which starters play, and one for each sound that is laid there. Time is in quarter notes.</summary>
internal static class LaneElements
{
    private const double MostVelocity = 127;

    /// <returns>Null where nothing plays there.</returns>
    /// <param name="paths">By content where each sound lies in the file.</param>
    public static XElement? Clips(Template template, Channel channel, TimeMap time, IReadOnlyDictionary<string, string> paths)
    {
        var laid = time.Lay(channel.Patterns).ToList();
        var groove = template.Grooves.FirstOrDefault(g => g.Name == channel.Groove);
        var clips = time.Sections.Select(s => NotesIn(channel, s, laid, groove)).OfType<XElement>().Concat(Sounds(channel, time, paths)).ToList();
        return clips.Count == 0 ? null : new("Clips", clips);
    }

    public static double Quarters(long ticks) => ticks / (double)Ticks.PerQuarter;

    /// <param name="laid">All that the channel's starters play, straight; the groove counts from the start of the timeline, as it is heard.</param>
    private static XElement? NotesIn(Channel channel, PlacedSection section, IReadOnlyList<PlacedNote> laid, Core.Notes.Groove? groove)
    {
        var playing = channel.Patterns.Where(p => p.PlaysIn(section.Section));
        var notes = laid.Where(n => n.StartTick >= section.StartTick && n.StartTick < section.StartTick + section.LengthTicks)
            .Select(n => new Core.Notes.TimedNote(n.StartTick, n.LengthTicks, n.Number, n.Velocity)).Select(n => groove?.Felt(n) ?? n).ToList();
        if (notes.Count == 0)
            return null;
        // What is felt early or late may lie over the edges of the section.
        var start = Math.Min(section.StartTick, notes.Min(n => n.StartTick));
        var end = Math.Max(section.StartTick + section.LengthTicks, notes.Max(n => n.EndTick));
        return new("Clip",
            new XAttribute("name", ProjectText.Of(string.Join(", ", playing.Select(p => p.Name)))), new XAttribute("time", Number(Quarters(start))), new XAttribute("duration", Number(Quarters(end - start))),
            new XAttribute("contentTimeUnit", "beats"), new XAttribute("playStart", "0"),
            new XElement("Notes", notes.Select(n => new XElement("Note",
                new XAttribute("time", Number(Quarters(n.StartTick - start))), new XAttribute("duration", Number(Quarters(n.LengthTicks))), new XAttribute("channel", "0"),
                new XAttribute("key", n.Number), new XAttribute("vel", Number(n.Velocity / MostVelocity)), new XAttribute("rel", "0")))));
    }

    private static IEnumerable<XElement> Sounds(Channel channel, TimeMap time, IReadOnlyDictionary<string, string> paths) =>
        from starter in channel.Starters
        where paths.ContainsKey(starter.Sound.Content)
        from section in time.Sections.Where(s => starter.Sections.Count == 0 || starter.Sections.Contains(s.Section.Id)).Take(starter.Through ? 1 : int.MaxValue)
        select Sound(starter, section, paths[starter.Sound.Content]);

    /// <summary>At its own speed, or warped so that its quarter notes are those of the song; again and again where it loops.</summary>
    private static XElement Sound(AudioStarter starter, PlacedSection section, string path)
    {
        var asRecorded = starter.Sound.Seconds * section.TempoBpm / 60;
        var quarters = starter.Fit == LoopFit.AsRecorded ? asRecorded : starter.Quarters;
        var length = Quarters(section.LengthTicks);
        var loops = starter.Loops && !starter.Through && quarters < length;
        var audio = new XElement("Audio",
            new XAttribute("channels", starter.Sound.Lanes), new XAttribute("duration", Number(starter.Sound.Seconds)), new XAttribute("sampleRate", starter.Sound.SampleRateHz),
            new XElement("File", new XAttribute("path", path)));
        return new("Clip",
            new XAttribute("name", ProjectText.Of(starter.Name)), new XAttribute("time", Number(Quarters(section.StartTick))),
            new XAttribute("duration", Number(starter.Through ? quarters : loops ? length : Math.Min(length, quarters))), new XAttribute("contentTimeUnit", "beats"), new XAttribute("playStart", "0"),
            loops ? new XAttribute("loopStart", "0") : null, loops ? new XAttribute("loopEnd", Number(quarters)) : null,
            new XElement("Warps", new XAttribute("contentTimeUnit", "seconds"), new XAttribute("timeUnit", "beats"), audio,
                new XElement("Warp", new XAttribute("time", "0"), new XAttribute("contentTime", "0")),
                new XElement("Warp", new XAttribute("time", Number(quarters)), new XAttribute("contentTime", Number(starter.Sound.Seconds)))));
    }
}
