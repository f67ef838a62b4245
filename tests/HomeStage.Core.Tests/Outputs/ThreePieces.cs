using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>A drum set of a kick and two toms on one pair, beside keys and a hall.</summary>
internal static class ThreePieces
{
    public static readonly ChannelId Player = new("set");

    public static readonly Kit Set = new(
        [Piece.Pad("Kick", 36, "drums/kick", 1, DrumSound.Kick), Piece.Pad("Tom high", 48, "drums/toms", 1, DrumSound.HighTom), Piece.Pad("Tom low", 45, "drums/toms", 1, DrumSound.LowTom)],
        [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);

    public static readonly Template Whole = OneBar(
        new AddChannel(new() { Id = Player, Name = "Drum set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, Set) }),
        Return("hall", "mix-bus"), Bus("keys", "mix-bus", Insert("ducked", "compressor")), new SetKey(new("keys"), new("ducked"), new(true)));

    /// <param name="plan">From the coarsest, 0.</param>
    public static Template Applied(Template template, int plan)
    {
        var kit = ((InstrumentSource)template.Channels[Player].Source!).Kit!;
        var jacks = KitJacks.Of(kit);
        var plans = ((PlanResult.Planned)OutputPlanner.Plans([.. kit.Lines.Select(PlanPiece.Of)], jacks.Outputs, jacks.Use)).Plans;
        return template.With([.. SplitBatch.Of(template, Player, plans[plan])]);
    }
}
