using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Chooses the musical key; null lets it wait for the song.</summary>
public sealed record SetMusicalKey(MusicalKey? Key) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var after = template with { Key = Key };
        return TemplateRules.CheckAbout(after) is { } wrong ? wrong : new EditResult.Applied(after, new SetMusicalKey(template.Key));
    }
}
