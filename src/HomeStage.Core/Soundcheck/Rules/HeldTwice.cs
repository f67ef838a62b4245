using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A value on a lever that never has a say: another lever holds it first, or curves do in every section.</summary>
public sealed class HeldTwice : ISoundcheckRule
{
    public string Id => "held-twice";

    public string Group => "Strips";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var first = new HashSet<(ChannelId, Target)>();
        foreach (var lever in template.Levers)
        {
            var idle = lever.Ranges.Where(r => IsThere(template, r) && (!first.Add((r.Channel, r.Target)) || IsCovered(template, r))).ToList();
            if (idle.Count == 0)
                continue;
            yield return new(Id, Severity.Hint, idle.Select(r => r.Channel).Distinct().ToSequence(),
                $"The lever {lever.Name} never moves {NameOf(template, idle[0])}{(idle.Count > 1 ? $" and {idle.Count - 1} more" : "")}: something else holds it all the time.",
                [new("Take it off the lever", [new PutLever(lever with { Ranges = lever.Ranges.Where(r => !idle.Contains(r)).ToSequence() })])]);
        }
    }

    private static bool IsThere(Template template, LeverRange range) => template.Channels.TryGet(range.Channel, out var channel) && range.Target.RangeOn(channel) is not null;

    private static bool IsCovered(Template template, LeverRange range) =>
        template.Timeline.Sections.All(section => template.Channels[range.Channel].Shapes.Any(s => s.Section == section.Id && s.Target == range.Target));

    private static string NameOf(Template template, LeverRange range) =>
        $"{range.Target.RangeOn(template.Channels[range.Channel])!.Name.ToLowerInvariant()} on {template.Channels[range.Channel].Name}";
}
