using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Forgets what new channels of some sort get by themselves.</summary>
public sealed record RemoveDefaultStrip(StripScope For) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var place = template.Defaults.IndexWhere(d => d.For == For);
        return place < 0
            ? new Refusal.Missing("default strip", For.ToString(), "in this template")
            : new EditResult.Applied(template with { Defaults = template.Defaults.RemoveAt(place) }, new PutDefaultStrip(template.Defaults[place]));
    }
}
