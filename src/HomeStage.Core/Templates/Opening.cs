using HomeStage.Core.Timing;

namespace HomeStage.Core.Templates;

/// <summary>How a template looks when it opens.</summary>
/// <param name="Act">Id of the act that is on; null for the first.</param>
/// <param name="Folded">Channels whose feeders are folded away; ids that are gone are of no effect.</param>
/// <param name="LoopSection">Name of the section that is looped; null for the whole.</param>
/// <param name="GridTicks">The grid for notes, in [1, 16 quarters].</param>
public sealed record Opening(string? Act, Sequence<ChannelId> Folded, string? LoopSection, int GridTicks = Ticks.PerQuarter / 4)
{
    /// <returns>The first thing that is wrong in a template, or null.</returns>
    internal static Refusal? Check(Template template)
    {
        if (template.Opening is not { } opening)
            return null;
        if (!(opening.GridTicks is >= 1 and <= 16 * Ticks.PerQuarter))
            return new Refusal.OutOfRange("The grid", opening.GridTicks, 1, 16 * Ticks.PerQuarter, "ticks");
        return opening.Folded.Count > TemplateRules.MostChannels ? new Refusal.TooMany("folded channels", TemplateRules.MostChannels) : null;
    }
}
