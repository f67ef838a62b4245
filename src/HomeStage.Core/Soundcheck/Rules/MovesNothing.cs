using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A shape or lever whose value or section is not there any more, and a curve that lies flat where the value stands anyway.</summary>
public sealed class MovesNothing : ISoundcheckRule
{
    public string Id => "moves-nothing";

    public string Group => "Order";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var sections = template.Timeline.Sections.Select(s => s.Id).ToHashSet(StringComparer.Ordinal);
        foreach (var channel in template.Channels)
        {
            var loose = channel.Shapes.Where(s => s.Target.RangeOn(channel) is null || !sections.Contains(s.Section) || LiesFlat(template, channel, s)).ToList();
            if (loose.Count > 0)
                yield return new(Id, Severity.Hint, [channel.Id], $"{loose.Count} of the curves prepared on {channel.Name} move nothing: their value or section is gone, or they lie flat where it stands anyway.",
                    [new("Take these curves away", loose.Select(s => (Edit)new RemoveShape(channel.Id, s.Target, s.Section)).ToSequence())]);
        }

        var slack = template.Levers.Where(l => l.Ranges.Any(r => IsLoose(template, r))).ToList();
        if (slack.Count > 0)
            yield return new(Id, Severity.Hint, [], $"The lever {slack[0].Name} moves something that is gone.",
                [new("Take it off the lever", slack.Select(l => (Edit)new PutLever(l with { Ranges = l.Ranges.Where(r => !IsLoose(template, r)).ToSequence() })).ToSequence())]);
    }

    private static bool LiesFlat(Template template, Channel channel, Shape shape) =>
        shape.Points.All(p => p.Value == shape.Points[0].Value) && shape.Points[0].Value == StoredValue.Of(channel, shape.Target)
        && template.Levers.All(l => l.Ranges.All(r => r.Channel != channel.Id || r.Target != shape.Target));

    private static bool IsLoose(Template template, LeverRange range) =>
        !template.Channels.TryGet(range.Channel, out var channel) || range.Target.RangeOn(channel) is null;
}
