using HomeStage.Core.Catalogue;

namespace HomeStage.Core.Templates;

/// <summary>A named set of an instrument's or processor's parameters.</summary>
/// <param name="Of">Id in the instrument or processor catalogue.</param>
/// <param name="Name">1 to 40 characters, unique among patches of the same thing.</param>
/// <param name="Settings">Values that differ from the defaults.</param>
public sealed record Patch(string Of, string Name, Map<double> Settings)
{
    public const int MostInATemplate = 500;

    /// <returns>The first thing that is wrong in a template, or null.</returns>
    internal static Refusal? Check(Template template) =>
        template.Patches.Count > MostInATemplate
            ? new Refusal.TooMany("patches", MostInATemplate)
            : template.Patches.Select(p => p.CheckOne()).FirstOrDefault(r => r is not null)
                ?? ChannelRules.Doubled(template.Patches.Select(p => $"{p.Of} {p.Name}"), "patch");

    private Refusal? CheckOne()
    {
        var parameters = InstrumentCatalogue.Find(Of)?.Parameters ?? ProcessorCatalogue.Find(Of)?.Parameters;
        return parameters is null
            ? new Refusal.Missing("instrument or processor", Of, "in the catalogue")
            : TextRules.Name("A patch's name", Name, TextRules.LongestSection) ?? SettingRules.Check($"the patch {Name}", parameters, Settings);
    }
}
