using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Forgets a patch. What was set by it stays set.</summary>
public sealed record RemovePatch(string Of, string Name) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var place = template.Patches.IndexWhere(o => o.Of == Of && o.Name == Name);
        if (place < 0)
            return new Refusal.Missing("patch", Name, "in this template");
        return new EditResult.Applied(template with { Patches = template.Patches.RemoveAt(place) }, new PutPatch(template.Patches[place]));
    }
}
