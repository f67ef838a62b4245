using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says how the template looks when it opens; null for everything unfolded in the first act.</summary>
public sealed record SetOpening(Opening? Opening) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var after = template with { Opening = Opening };
        return TemplateRules.CheckParts(after) is { } wrong ? wrong : new EditResult.Applied(after, new SetOpening(template.Opening));
    }
}
