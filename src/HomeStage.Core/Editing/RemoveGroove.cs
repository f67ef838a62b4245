using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Forgets a groove. While a channel follows it, it stays.</summary>
public sealed record RemoveGroove(string Name) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var place = template.Grooves.IndexWhere(o => o.Name == Name);
        if (place < 0)
            return new Refusal.Missing("groove", Name, "in this template");
        if (template.Channels.FirstOrDefault(c => c.Groove == Name) is { } follower)
            return new Refusal.WrongPlace($"The groove {Name}", $"is still followed by {follower.Name}");
        return new EditResult.Applied(template with { Grooves = template.Grooves.RemoveAt(place) }, new PutGroove(template.Grooves[place]));
    }
}
