using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says which template this one is based on, and how far its changes were looked through; null for none.</summary>
public sealed record SetParent(Parent? Parent) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var after = template with { Parent = Parent };
        return TemplateRules.CheckParts(after) is { } wrong ? wrong : new EditResult.Applied(after, new SetParent(template.Parent));
    }
}
