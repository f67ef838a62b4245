using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Templates;

/// <summary>Where a copy of the shelf stands, and what may be said of it.</summary>
public class ShelfCopyTests
{
    private static readonly Template Stage = OneBar(
        new AddChannel(new() { Id = new("set"), Name = "Set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, InstrumentCatalogue.Find(InstrumentCatalogue.Tidewater)!.Kit) }),
        Tone("organ", "mix-bus"),
        new PutGroove(new("Late", Ticks.PerQuarter, [new(0)])), new PutGroove(new("Early", Ticks.PerQuarter, [new(0)])),
        new PutPatch(new("compressor", "Tight", Map<double>.Empty)), new PutPatch(new("compressor", "Wide", Map<double>.Empty)));

    [Theory]
    [InlineData(ShelfKind.Kit, "set", true)]
    [InlineData(ShelfKind.Machine, "set", true)]
    [InlineData(ShelfKind.Kit, "organ", false)]
    [InlineData(ShelfKind.Machine, "nobody", false)]
    [InlineData(ShelfKind.Groove, "Late", true)]
    [InlineData(ShelfKind.Groove, "late", false)]
    [InlineData(ShelfKind.Patch, "compressor/Wide", true)]
    [InlineData(ShelfKind.Patch, "gate/Wide", false)]
    [InlineData(ShelfKind.Strip, "organ", true)]
    [InlineData(ShelfKind.Strip, "nobody", false)]
    [InlineData(ShelfKind.Strip, "No id at all", false)]
    [InlineData(ShelfKind.Device, "organ/one/two", false)]
    [InlineData(ShelfKind.Device, "organ/No id", false)]
    [InlineData(ShelfKind.Studio, "set", false)]
    public void IsIn_ATemplateThatHoldsThePart(ShelfKind kind, string place, bool isIn) =>
        Assert.Equal(isIn, new ShelfCopy(kind, place, "item", 1, Map<string>.Empty).IsIn(Stage));

    [Theory]
    [InlineData("organ", true)]
    [InlineData("nobody", false)]
    [InlineData("No id at all", false)]
    public void ASetPiece_IsThereAsLongAsOneOfItsChannelsIs(string became, bool isIn) =>
        Assert.Equal(isIn, new ShelfCopy(ShelfKind.SetPiece, "gone", "item", 1, Map<string>.Empty.With("first", "gone").With("second", became)).IsIn(Stage));

    [Theory]
    [InlineData("item", 1, "Late", true)]
    [InlineData("not an id", 1, "Late", false)]
    [InlineData("item", 0, "Late", false)]
    [InlineData("item", 1, "", false)]
    public void Check_WhatACopySays(string item, int revision, string place, bool isRight) =>
        Assert.Equal(isRight, TemplateRules.Check(Stage with { Copies = [new(ShelfKind.Groove, place, item, revision, Map<string>.Empty)] }) is null);

    [Fact]
    public void Check_OfARevisionThatCannotBe_SaysTheFirst() =>
        Assert.Equal((0, 1), TemplateRules.Check(Stage with { Copies = [new(ShelfKind.Groove, "Late", "item", 0, Map<string>.Empty)] }) is Refusal.OutOfRange said ? (said.Value, said.Min) : default);

    [Fact]
    public void Aside_ThatIsNoSplit_OrTellsOfAsManyStrokesAsItDoesNotCarry_IsRefused()
    {
        var split = new Channel { Id = new("away"), Name = "Away", Kind = ChannelKind.Split, Source = new OutputSource(new("set"), 2) };
        Refusal? Of(AsideSplit aside) => TemplateRules.Check(Stage with { Aside = [aside] });

        Assert.Null(Of(new(split, ["Kick"], ["36"], [])));
        Assert.Contains("is no split", Of(new(split with { Kind = ChannelKind.Audio }, ["Kick"], ["36"], []))!.Sentence, StringComparison.Ordinal);
        Assert.Contains("what plays it", Of(new(split, ["Kick"], ["36", "38"], []))!.Sentence, StringComparison.Ordinal);
        Assert.Contains("carried", Of(new(split, ["Kick", ""], ["36", "38"], []))!.Sentence, StringComparison.Ordinal);
        Assert.Contains("put aside", Of(new(split with { Name = "" }, ["Kick"], ["36"], []))!.Sentence, StringComparison.Ordinal);
    }
}
