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
        var idle = template.Levers.Select(lever => (Lever: lever, Ranges: Idle(template, lever, first))).Where(x => x.Ranges.Count > 0).ToList();
        // A finding is known by its channels, so that levers over the same ones are spoken of together.
        return idle.GroupBy(x => x.Ranges.Select(r => r.Channel).Distinct().ToSequence()).Select(of => new Finding(Id, Severity.Hint, of.Key, Said(template, [.. of]),
            [new("Take it off the lever", of.Select(x => (Edit)new PutLever(x.Lever with { Ranges = x.Lever.Ranges.Where(r => !x.Ranges.Contains(r)).ToSequence() })).ToSequence())]));
    }

    /// <param name="first">What levers before it hold; what this one holds is added.</param>
    private static List<LeverRange> Idle(Template template, Lever lever, HashSet<(ChannelId, Target)> first) =>
        [.. lever.Ranges.Where(r => IsThere(template, r) && (!first.Add((r.Channel, r.Target)) || IsCovered(template, r)))];

    private static string Said(Template template, (Lever Lever, List<LeverRange> Ranges)[] idle)
    {
        var more = idle.Sum(x => x.Ranges.Count) - 1;
        return $"The lever {idle[0].Lever.Name} never moves {NameOf(template, idle[0].Ranges[0])}{(more > 0 ? $", and {more} more are held alike" : "")}: something else holds it all the time.";
    }

    private static bool IsThere(Template template, LeverRange range) => template.Channels.TryGet(range.Channel, out var channel) && range.Target.RangeOn(channel) is not null;

    private static bool IsCovered(Template template, LeverRange range) =>
        template.Timeline.Sections.All(section => template.Channels[range.Channel].Shapes.Any(s => s.Section == section.Id && s.Target == range.Target));

    private static string NameOf(Template template, LeverRange range) =>
        $"{range.Target.RangeOn(template.Channels[range.Channel])!.Name.InASentence()} on {template.Channels[range.Channel].Name}";
}
