using HomeStage.Core.Automation;
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
                ?? Doubles.Check(template.Patches.Select(p => $"{p.Of} {p.Name}"), "patch")
                ?? template.FirstPatches.Where(f => ProcessorCatalogue.Find(f.Key) is null && InstrumentCatalogue.Find(f.Key) is null)
                    .Select(f => new Refusal.Missing("instrument or processor", f.Key, "in the catalogue")).FirstOrDefault()
                ?? template.FirstPatches.Values.Select(n => TextRules.Name("A patch's name", n, TextRules.LongestSection)).FirstOrDefault(r => r is not null);

    private static Refusal? CheckOne(Patch patch)
    {
        var parameters = InstrumentCatalogue.Find(patch.Of)?.Parameters ?? ProcessorCatalogue.Find(patch.Of)?.Parameters;
        return parameters is null
            ? new Refusal.Missing("instrument or processor", patch.Of, "in the catalogue")
            : TextRules.Name("A patch's name", patch.Name, TextRules.LongestSection) ?? SettingRules.Check($"the patch {patch.Name}", parameters, patch.Settings) ?? CheckKey(patch) ?? CheckCurve(patch);
    }

    private static Refusal? CheckKey(Patch patch) => patch.Key is not null && ProcessorCatalogue.Find(patch.Of)?.HasKey != true
        ? new Refusal.WrongPlace($"The patch {patch.Name}", "has a key filter for what listens to no key")
        : ChannelRules.CheckCorner(patch.Key?.LowCutHz, patch.Name) ?? ChannelRules.CheckCorner(patch.Key?.HighCutHz, patch.Name);

    private static Refusal? CheckCurve(Patch patch) => patch.Curve.Count == 0 ? null
        : ProcessorCatalogue.Find(patch.Of)?.HasTrigger != true ? new Refusal.WrongPlace($"The patch {patch.Name}", "has a curve for what draws none")
        : (NoteTrigger.Plain with { Curve = patch.Curve }).Check($"the patch {patch.Name}");
}
