using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Notes where a part came from; one part comes from one place.</summary>
public sealed record PutShelfCopy(ShelfCopy Copy) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        bool Same(ShelfCopy other) => (other.Kind, other.Place) == (Copy.Kind, Copy.Place);
        var old = template.Copies.FirstOrDefault(Same);
        var after = template with { Copies = template.Copies.Where(o => !Same(o)).Append(Copy).OrderBy(o => o.Kind).ThenBy(o => o.Place, StringComparer.Ordinal).ToSequence() };
        return TemplateRules.CheckParts(after) is { } wrong
            ? wrong
            : new EditResult.Applied(after, old is null ? new RemoveShelfCopy(Copy.Kind, Copy.Place) : new PutShelfCopy(old));
    }
}
