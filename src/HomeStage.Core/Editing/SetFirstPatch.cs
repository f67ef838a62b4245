using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says which patch a new insert of a processor, or a new instrument, begins with. A patch that is gone is passed over until it is back.</summary>
/// <param name="Of">Id in the processor or instrument catalogue.</param>
/// <param name="Patch">Name of the patch, 1 to 40 characters; null for the catalogue's own settings.</param>
public sealed record SetFirstPatch(string Of, string? Patch) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        if (ProcessorCatalogue.Find(Of) is null && InstrumentCatalogue.Find(Of) is null)
            return new Refusal.Missing("instrument or processor", Of, "in the catalogue");
        if (Patch is not null && TextRules.Name("A patch's name", Patch, TextRules.LongestSection) is { } wrong)
            return wrong;
        var after = template with { FirstPatches = Patch is null ? template.FirstPatches.Without(Of) : template.FirstPatches.With(Of, Patch) };
        return new EditResult.Applied(after, new SetFirstPatch(Of, template.FirstPatches.GetValueOrDefault(Of)));
    }
}
