using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Keeps a split out of the way, or changes the one with its id that is put aside. The channel itself is another edit's to take away.</summary>
public sealed record PutAside(AsideSplit Aside) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var old = template.Aside.FirstOrDefault(a => a.Split.Id == Aside.Split.Id);
        var after = template with { Aside = template.Aside.Where(a => a.Split.Id != Aside.Split.Id).Append(Aside).OrderBy(a => a.Split.Id.Value, StringComparer.Ordinal).ToSequence() };
        return TemplateRules.CheckParts(after) is { } wrong
            ? wrong
            : new EditResult.Applied(after, old is null ? new RemoveAside(Aside.Split.Id) : new PutAside(old));
    }
}
