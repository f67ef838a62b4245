using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What the patches of a template must keep to.</summary>
internal static class PatchRules
{
    /// <returns>The first thing that is wrong in a template, or null.</returns>
    public static Refusal? Check(Template template) =>
        template.Patches.Count > Patch.MostInATemplate
            ? new Refusal.TooMany("patches", Patch.MostInATemplate)
            : template.Patches.Select(CheckOne).FirstOrDefault(r => r is not null)
                ?? Doubles.Check(template.Patches.Select(p => $"{p.Of} {p.Name}"), "patch");

    private static Refusal? CheckOne(Patch patch)
    {
        var parameters = InstrumentCatalogue.Find(patch.Of)?.Parameters ?? ProcessorCatalogue.Find(patch.Of)?.Parameters;
        return parameters is null
            ? new Refusal.Missing("instrument or processor", patch.Of, "in the catalogue")
            : TextRules.Name("A patch's name", patch.Name, TextRules.LongestSection) ?? SettingRules.Check($"the patch {patch.Name}", parameters, patch.Settings);
    }
}
