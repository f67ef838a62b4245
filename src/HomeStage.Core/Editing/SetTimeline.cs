using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Editing;

/// <summary>Changes tempo, meter and sections. What refers to a section that goes waits for one of its id.</summary>
public sealed record SetTimeline(TimelineWish Timeline) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var timeline = Timeline.On(template.Timeline);
        return TimelineRules.Check(timeline) is { } wrong
            ? wrong
            : new EditResult.Applied(template with { Timeline = timeline }, new SetTimeline(TimelineWish.Of(template.Timeline)));
    }
}
