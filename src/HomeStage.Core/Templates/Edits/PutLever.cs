using HomeStage.Core.Automation;

namespace HomeStage.Core.Templates.Edits;

/// <summary>Makes a lever, or changes the one with the same id.</summary>
public sealed record PutLever(Lever Lever) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        bool Same(Lever other) => other.Id == Lever.Id;
        var old = template.Levers.FirstOrDefault(Same);
        var after = template with { Levers = template.Levers.Where(o => !Same(o)).Append(Lever).OrderBy(o => o.Id, StringComparer.Ordinal).ToSequence() };
        return TemplateRules.CheckParts(after) is { } wrong
            ? wrong
            : new EditResult.Applied(after, old is null ? new RemoveLever(Lever.Id) : new PutLever(old));
    }
}
