using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes a lever, or changes the one with the same id.</summary>
public sealed record PutLever(Lever Lever) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        bool Same(Lever other) => other.Id == Lever.Id;
        var old = template.Levers.FirstOrDefault(Same);
        // An older document may hold a lever on what stands still: it may be renamed, but nobody puts such a thing there anew.
        foreach (var range in Lever.Ranges.Where(r => old?.Ranges.Contains(r) != true))
            if (template.Channels.TryGet(range.Channel, out var moved) && range.Target.ParameterOn(moved) is { StandsStill: { } why } still)
                return new Refusal.StandsStill($"{still.Name} on {moved.Name}", why);
        var after = template with { Levers = template.Levers.Where(o => !Same(o)).Append(Lever).OrderBy(o => o.Id, StringComparer.Ordinal).ToSequence() };
        return TemplateRules.CheckParts(after) is { } wrong
            ? wrong
            : new EditResult.Applied(after, old is null ? new RemoveLever(Lever.Id) : new PutLever(old));
    }
}
