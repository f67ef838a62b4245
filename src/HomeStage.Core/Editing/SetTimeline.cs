using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Editing;

/// <summary>Changes tempo, meter and sections.</summary>
public sealed record SetTimeline(Timeline Timeline) : Edit
{
    public override EditResult ApplyTo(Template template) =>
        TemplateRules.CheckTimeline(Timeline) is { } wrong
            ? wrong
            : new EditResult.Applied(template with { Timeline = Timeline }, new SetTimeline(template.Timeline));
}
