using HomeStage.Core.Automation;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Playing;

/// <summary>When a note-driven ducker is restarted.</summary>
public static class Restarts
{
    /// <param name="followsBySeconds">By how much notes restart it after they come; beats are known before.</param>
    /// <returns>Seconds on the timeline, in no order; one that is there twice comes twice.</returns>
    public static IEnumerable<double> Of(Template template, NoteRoute notes, TimeMap time, NoteTrigger trigger, double followsBySeconds = 0)
    {
        var played = trigger.Notes.Where(template.Channels.Contains).SelectMany(id => notes.Of(template.Channels[id])).Where(n => trigger.Hears(n.Number)).Select(n => n.StartSeconds + followsBySeconds);
        return trigger.EveryQuarters is { } every ? played.Concat(time.Sections.SelectMany(s => Beats(s, every))) : played;
    }

    private static IEnumerable<double> Beats(PlacedSection section, double everyQuarters)
    {
        var every = NoteValue.Milliseconds(everyQuarters, section.TempoBpm) / 1000;
        for (var beat = 0; beat * every < section.LengthSeconds; beat++)
            yield return section.StartSeconds + beat * every;
    }
}
