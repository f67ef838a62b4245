using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Keeps a patch, or changes the one of the same name.</summary>
public sealed record PutPatch(Patch Patch) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        bool Same(Patch other) => other.Of == Patch.Of && other.Name == Patch.Name;
        var old = template.Patches.FirstOrDefault(Same);
        var after = template with { Patches = template.Patches.Where(o => !Same(o)).Append(Patch).OrderBy(o => o.Of, StringComparer.Ordinal).ThenBy(o => o.Name, StringComparer.Ordinal).ToSequence() };
        return TemplateRules.CheckParts(after) is { } wrong
            ? wrong
            : new EditResult.Applied(after, old is null ? new RemovePatch(Patch.Of, Patch.Name) : new PutPatch(old));
    }
}
