using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Keeps a groove, or changes the one of the same name.</summary>
public sealed record PutGroove(Groove Groove) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        bool Same(Groove other) => other.Name == Groove.Name;
        var old = template.Grooves.FirstOrDefault(Same);
        var after = template with { Grooves = template.Grooves.Where(o => !Same(o)).Append(Groove).OrderBy(o => o.Name, StringComparer.Ordinal).ToSequence() };
        return TemplateRules.CheckParts(after) is { } wrong
            ? wrong
            : new EditResult.Applied(after, old is null ? new RemoveGroove(Groove.Name) : new PutGroove(old));
    }
}
