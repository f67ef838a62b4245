using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes a lever away. What it moved stays where it is.</summary>
public sealed record RemoveLever(string Id) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var place = template.Levers.IndexWhere(o => o.Id == Id);
        if (place < 0)
            return new Refusal.Missing("lever", Id, "in this template");
        return new EditResult.Applied(template with { Levers = template.Levers.RemoveAt(place) }, new PutLever(template.Levers[place]));
    }
}
