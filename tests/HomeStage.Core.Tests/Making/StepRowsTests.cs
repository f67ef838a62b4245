using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Making;

public class StepRowsTests
{
    private static Channel Made(ChannelKind kind, string name, string? instrument = null) =>
        OneBar().With(new MakeChannel(new(kind) { Name = name, Instrument = instrument })).Channels[^1];

    [Fact]
    public void AKit_HasItsPieces_ByTheirNames()
    {
        var kit = Made(ChannelKind.Instrument, "Boxes", InstrumentCatalogue.Breakwater);

        Assert.Equal(((InstrumentSource)kit.Source!).Kit!.Pieces.Select(p => (p.Note, (string?)p.Name)), StepRows.Of(kit));
    }

    [Fact]
    public void APart_HasTheOctaveThatItPlaysIn_AndAllThatItsStartersUse_FromHighToLow()
    {
        var bass = Made(ChannelKind.Instrument, "Sub bass") with { Patterns = [new("Deep", 960, [new(0, 10, 24, 90), new(10, 10, 40, 90)], [])] };

        Assert.Equal([.. Enumerable.Range(36, 13).Reverse(), 24], StepRows.Of(bass).Select(r => r.Note));
        Assert.Equal(72, StepRows.Of(Made(ChannelKind.Instrument, "Grand piano")).First().Note);
    }

    [Fact]
    public void ATrigger_HasOneNote() => Assert.Single(StepRows.Of(Made(ChannelKind.Trigger, "Pulse")));
}
