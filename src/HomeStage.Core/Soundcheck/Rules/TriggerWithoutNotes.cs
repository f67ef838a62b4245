using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Playing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A trigger that steers something and has nothing to strike with.</summary>
public sealed class TriggerWithoutNotes : ISoundcheckRule
{
    public string Id => "trigger-without-notes";

    public string Group => "Sidechains";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var silent = KeyFeed.BySource(template, act, f => f.Insert.Key is { On: true } && f.From.Kind == ChannelKind.Trigger && f.From.StageIn(act) != StageState.InTheWings).ToList();
        if (silent.Count == 0)
            yield break;
        var notes = new NoteRoute(template, act);
        foreach (var of in silent.Where(of => notes.Of(of.Key).Count == 0))
        {
            // What strikes with a part strikes once that part is played.
            var played = template.Channels.FirstOrDefault(c => c.NoteInput?.Layers.Contains(of.Key.Id) == true && c.StageIn(act) != StageState.InTheWings);
            var (severity, lacks) = played is null ? (Severity.Warning, "has no notes to strike with") : (Severity.Hint, $"strikes with {played.Name}, which has nothing to play yet");
            yield return new(Id, severity, [of.Key.Id], $"{of.Key.Name} steers {of.First().Insert.Title()} on {of.First().To.Name} and {lacks}.",
                Beats(template, act, of.Key) is { } beats ? [beats] : []);
        }
    }

    /// <summary>On every beat, where its note processors let that through.</summary>
    private static Mend? Beats(Template template, string act, Channel trigger)
    {
        var put = BeatStrokes.Of(trigger, template.Timeline.Meter, []) is { } beats ? new PutPattern(trigger.Id, beats) : null;
        return put?.ApplyTo(template) is EditResult.Applied { Template: var after } && new NoteRoute(after, act).Of(after.Channels[trigger.Id]).Count > 0
            ? new("Let it strike on every beat", [put!])
            : null;
    }
}
