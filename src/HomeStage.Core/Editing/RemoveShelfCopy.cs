using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Forgets where a part came from; the part stays.</summary>
public sealed record RemoveShelfCopy(ShelfKind Kind, string Place) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        bool Same(ShelfCopy other) => (other.Kind, other.Place) == (Kind, Place);
        return template.Copies.FirstOrDefault(Same) is { } old
            ? new EditResult.Applied(template with { Copies = template.Copies.Where(o => !Same(o)).ToSequence() }, new PutShelfCopy(old))
            : new Refusal.Missing("copy of the shelf", Place, "in this template");
    }
}
