using HomeStage.Core.Timing;

namespace HomeStage.Core.Templates;

/// <summary>How a template looks when it opens.</summary>
/// <param name="Act">Id of the act that is on; null for the first.</param>
/// <param name="Folded">Channels whose feeders are folded away; ids that are gone are of no effect.</param>
/// <param name="LoopSection">Id of the section that is looped; null for the whole.</param>
/// <param name="GridTicks">The grid for notes, in [1, 16 quarters].</param>
public sealed record Opening(string? Act, Sequence<ChannelId> Folded, string? LoopSection, int GridTicks = Ticks.PerQuarter / 4);
