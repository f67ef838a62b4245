using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

/// <summary>Where an edit has its last place, and what it is refused beyond.</summary>
public class EditLimitsTests
{
    private static readonly ChannelId Strip = new("strip");

    private static readonly Template Stage = OneBar(Bus("strip", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor), Insert("gate", ProcessorCatalogue.Gate), Insert("late", ProcessorCatalogue.Compressor)));

    [Theory]
    [InlineData(-1, false)]
    [InlineData(0, true)]
    [InlineData(3, true)]
    [InlineData(4, false)]
    public void AddInsert_StandsAtAnyPlaceOfTheStrip_AndAtNoOther(int place, bool isOne)
    {
        var result = new AddInsert(Strip, Insert("trim", ProcessorCatalogue.Gain), place).ApplyTo(Stage);

        Assert.Equal(isOne ? null : new Refusal.OutOfRange("The place in the strip of Bus strip", place, 0, 3, ""), (result as EditResult.Refused)?.Why);
        Assert.Equal(isOne ? place : -1, (result as EditResult.Applied)?.Template.Channels[Strip].Inserts.IndexWhere(i => i.Id.Value == "trim") ?? -1);
    }

    [Theory]
    [InlineData(ProcessorCatalogue.Compressor, true)]
    [InlineData(InstrumentCatalogue.Undertow, true)]
    [InlineData("flux", false)]
    public void SetFirstPatch_IsForWhatTheCatalogueHas(string of, bool isThere) =>
        Assert.Equal(isThere, new SetFirstPatch(of, "Warm").ApplyTo(Stage) is EditResult.Applied { Template.FirstPatches.Count: 1 });

    /// <summary>Twenty thousand channels are the most; the last of them may be a copy.</summary>
    [Fact]
    public void DuplicateChannels_FillsATemplate_AndNoMore()
    {
        var many = Stage with { Channels = ChannelList.From([.. Stage.Channels, .. Enumerable.Range(Stage.Channels.Count, 19_999 - Stage.Channels.Count).Select(i => new Channel { Id = new($"n{i}"), Name = $"Part {i}", Kind = ChannelKind.Notes })]) };

        var full = many.With(new DuplicateChannels([new("n77")]));

        Assert.Equal(20_000, full.Channels.Count);
        Assert.Equal(new Refusal.TooMany("channels", 20_000), full.RefusalOf(new DuplicateChannels([new("n77")])));
    }
}
