using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What the opening of a template must keep to.</summary>
internal static class OpeningRules
{
    /// <returns>The first thing that is wrong in a template, or null.</returns>
    public static Refusal? Check(Template template)
    {
        if (template.Opening is not { } opening)
            return null;
        if (!(opening.GridTicks is >= 1 and <= 16 * Ticks.PerQuarter))
            return new Refusal.OutOfRange("The grid", opening.GridTicks, 1, 16 * Ticks.PerQuarter, "ticks");
        return opening.Folded.Count > TemplateRules.MostChannels ? new Refusal.TooMany("folded channels", TemplateRules.MostChannels) : null;
    }
}
