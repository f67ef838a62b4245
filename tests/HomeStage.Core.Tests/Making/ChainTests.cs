using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Shelf;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Making;

/// <summary>Several inserts as one thing, with controls of its own.</summary>
public class ChainTests
{
    private static readonly ChannelId Keys = new("keys");
    private static readonly ChannelId Strings = new("strings");

    private static readonly Chain Rust = new("rust", "Rust", [new("grit"), new("tilt")])
    {
        Controls =
        [
            new("bite", "Bite", 0, [new(new("grit"), "drive-db", 0, 24), new(new("tilt"), "low-cut-hz", 100, 1600)]),
            new("on", "Which", 0, [new(new("grit"), null, 0.5, 1), new(new("tilt"), "low-cut", 0, 1)]),
        ],
    };

    private static readonly Template Stage = OneBar(
        Trigger("pulse"),
        Bus("keys", "mix-bus", Insert("grit", ProcessorCatalogue.Saturator), Insert("tilt", ProcessorCatalogue.Equaliser), Insert("last", ProcessorCatalogue.Gain)),
        Bus("strings", "mix-bus", Insert("grit", ProcessorCatalogue.Compressor)),
        Tone("organ", "keys"),
        new PutChain(Keys, Rust));

    [Theory]
    [InlineData(0, 0, 100)]
    [InlineData(0.25, 6, 200)] // a quarter of four octaves
    [InlineData(0.5, 12, 400)]
    [InlineData(1, 24, 1600)]
    public void AControl_MovesValuesBetweenTheirEnds_FrequenciesByOctaves(double position, double driveDb, double hertz)
    {
        var keys = Stage.With(new TurnChain(Keys, "rust", "bite", position)).Channels[Keys];

        Assert.Equal(driveDb, keys.Inserts[0].Settings["drive-db"], 9);
        Assert.Equal(hertz, keys.Inserts[1].Settings["low-cut-hz"], 9);
        Assert.Equal(position, keys.Chains[0].Controls[0].Position);
        Assert.True(ChainTurning.IsAsSaid(keys, keys.Chains[0].Controls[0]));
    }

    [Theory]
    [InlineData(0.49, true, 0)]
    [InlineData(0.5, false, 1)]
    [InlineData(1, false, 1)]
    public void AControl_SwitchesInserts_AndSwitchesInsideThem(double position, bool isOff, double lowCut)
    {
        var keys = Stage.With(new TurnChain(Keys, "rust", "on", position)).Channels[Keys];

        Assert.Equal(isOff, keys.Inserts[0].Off);
        Assert.Equal(lowCut, keys.Inserts[1].Settings["low-cut"]);
    }

    [Fact]
    public void AnInsertThatIsOff_SoundsAsOneThatIsNotThere_InEveryAct()
    {
        var driven = Stage.With(new SetParameter(Keys, new("grit"), "drive-db", 20));
        var off = driven.With(new TurnChain(Keys, "rust", "on", 0), new SetParameter(Keys, new("tilt"), "low-cut", null));

        Assert.NotEqual(Heard(driven), Heard(off));
        Assert.Equal(Heard(driven.With(new RemoveInsert(Keys, new("grit")))), Heard(off));
        Assert.All(off.Acts, act => Assert.False(off.Channels[Keys].Inserts[0].IsLiveIn(off, act.Id)));

        static IReadOnlyList<float> Heard(Template template) => Renderer.Render(template, new(InMix)).Left;
    }

    [Fact]
    public void ATurn_IsTakenBack_AndAValueSetByHandIsSeen()
    {
        var turned = Assert.IsType<BatchResult.Applied>(Batch.Apply(Stage, [new TurnChain(Keys, "rust", "bite", 0.7)]));
        Assert.Equal(Stage, turned.Template.With([.. turned.Inverse]));

        var byHand = turned.Template.With(new SetParameter(Keys, new("grit"), "drive-db", 3)).Channels[Keys];
        Assert.False(ChainTurning.IsAsSaid(byHand, byHand.Chains[0].Controls[0]));
    }

    [Fact]
    public void AValueThatStandsByDefaultWhereItsControlSays_IsNotSetByHand()
    {
        var level = Stage.With(new PutChain(Keys, new("level", "Level", [new("last")]) { Controls = [new("up", "Up", 0, [new(new("last"), "gain-db", 0, 6)])] })).Channels[Keys];

        Assert.Empty(level.Inserts[2].Settings);
        Assert.True(ChainTurning.IsAsSaid(level, level.Chains[0].Controls[0]));
    }

    [Fact]
    public void AnInsertThatIsTakenOut_IsOfItsChainAgainWhenItComesBack()
    {
        var without = Assert.IsType<BatchResult.Applied>(Batch.Apply(Stage, [new RemoveInsert(Keys, new("grit"))]));

        Assert.Equal(6, without.Template.With(new TurnChain(Keys, "rust", "bite", 0.25)).With(new AddInsert(Keys, Insert("grit", ProcessorCatalogue.Saturator), 0), new TurnChain(Keys, "rust", "bite", 0.25)).Channels[Keys].Inserts[0].Settings["drive-db"], 9);
        Assert.Equal(Stage, without.Template.With([.. without.Inverse]));
    }

    [Fact]
    public void AChainOfTheShelf_IsPutBeforeWhatIsKeptForAutomation_UnderNamesThatAreFree_AndTurnsThere()
    {
        var stage = Stage.With(new AddInsert(Strings, Insert("level", ProcessorCatalogue.Gain)), new KeepForAutomation(Strings, new("level"), true));
        var (content, name) = ShelfKeep.Of(stage, ShelfKind.Chain, "keys/rust")!.Value;
        Assert.Equal("Rust", name);
        Assert.Null(content.Check());

        var taken = Assert.IsType<ShelfTakeResult.Taken>(ShelfTake.Of(stage, new("kept", "Rust", 1, content), "strings"));
        var laid = stage.With([.. taken.Take.Edits]).With(new TurnChain(Strings, "rust", "bite", 0.5));

        var strings = laid.Channels[Strings];
        Assert.Equal([ProcessorCatalogue.Compressor, ProcessorCatalogue.Saturator, ProcessorCatalogue.Equaliser, ProcessorCatalogue.Gain], strings.Inserts.Select(i => i.Processor));
        Assert.Equal(12, strings.Inserts[1].Settings["drive-db"], 9);
        Assert.Empty(strings.Inserts[0].Settings);
        Assert.Equal("strings/rust", taken.Take.Place);
        Assert.True(laid.Copies.Single().IsIn(laid));
    }

    [Fact]
    public void AChainOfTheSameName_IsReplacedInItsPlace_AndWhatFedItHoldsOn()
    {
        var pressed = new Chain("rust", "RUST", [new("squeeze")]);
        var stage = OneBar(
            Trigger("pulse"),
            Bus("keys", "mix-bus", Insert("a", ProcessorCatalogue.Gain), Insert("squeeze", ProcessorCatalogue.Compressor), Insert("z", ProcessorCatalogue.Clipper)),
            new SetKey(Keys, new("squeeze"), new(true)), new PutFeed(new("pulse"), new(Keys, new("squeeze"), new(-3), TapPoint.Pre)),
            new PutChain(Keys, pressed));
        var wanted = new Strip { Inserts = [Insert("x", ProcessorCatalogue.Saturator), Insert("y", ProcessorCatalogue.Compressor, ("ratio", 3))], Chains = [new("new", "Rust", [new("x"), new("y")])] };

        var keys = stage.With(new LayChain([Keys], wanted)).Channels[Keys];

        Assert.Equal([ProcessorCatalogue.Gain, ProcessorCatalogue.Saturator, ProcessorCatalogue.Compressor, ProcessorCatalogue.Clipper], keys.Inserts.Select(i => i.Processor));
        Assert.Equal(("squeeze", true, 3.0), (keys.Inserts[2].Id.Value, keys.Inserts[2].Key!.On, keys.Inserts[2].Settings["ratio"]));
        Assert.Equal("rust", keys.Chains.Single().Id);
        Assert.Single(stage.With(new LayChain([Keys], wanted)).Channels[new ChannelId("pulse")].Feeds);
    }

    [Fact]
    public void AStrip_TakesItsChainsAlong_AndADefaultMakesThem()
    {
        var strip = StripLaying.Of(Stage, Stage.Channels[Keys]);

        var laid = Stage.With(new LayStrip([Strings], strip), new TurnChain(Strings, "rust", "bite", 1)).Channels[Strings];
        var made = Stage.With(new PutDefaultStrip(new(new(ChannelKind.Audio), strip with { Stages = null })), new MakeChannel(new(ChannelKind.Audio) { Name = "Zither" })).Channels[^1];

        Assert.Equal(24, laid.Inserts[0].Settings["drive-db"]);
        Assert.Equal("Rust", made.Chains.Single().Name);
    }

    public static TheoryData<string, Chain> Wrong => new()
    {
        { "an insert in two chains", new("other", "Other", [new("tilt")]) },
        { "no insert", new("other", "Other", []) },
        { "a move outside of it", new("other", "Other", [new("last")]) { Controls = [new("a", "A", 0, [new(new("tilt"), "low-cut-hz", 100, 200)])] } },
        { "nine controls", new("other", "Other", [new("last")]) { Controls = [.. Enumerable.Range(0, 9).Select(i => new ChainControl($"c{i}", $"C{i}", 0, []))] } },
        { "a value beyond its range", new("other", "Other", [new("last")]) { Controls = [new("a", "A", 0, [new(new("last"), "gain-db", 0, 400)])] } },
        { "a switch beyond the control", new("other", "Other", [new("last")]) { Controls = [new("a", "A", 0, [new(new("last"), null, 0, 2)])] } },
        { "two controls on one value", new("other", "Other", [new("last")]) { Controls = [new("a", "A", 0, [new(new("last"), "gain-db", 0, 4)]), new("b", "B", 0, [new(new("last"), "gain-db", 0, 2)])] } },
        { "a position beyond the end", new("other", "Other", [new("last")]) { Controls = [new("a", "A", 1.5, [])] } },
        { "no number", new("other", "Other", [new("last")]) { Controls = [new("a", "A", 0, [new(new("last"), "gain-db", double.NaN, 4)])] } },
    };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void WhatIsWrongInAChain_IsRefused(string what, Chain chain) =>
        Assert.True(Batch.Apply(Stage, [new PutChain(Keys, chain)]) is BatchResult.Refused, $"{what} is taken");
}
