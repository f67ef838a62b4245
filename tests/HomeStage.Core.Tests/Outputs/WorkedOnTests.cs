using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.Core.Tests.Outputs.ThreePieces;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>What somebody did to a split or to a sum is not lost by the next plan, whatever it was.</summary>
public class WorkedOnTests
{
    private static readonly Dictionary<string, Func<Channel, Channel>> Work = new()
    {
        ["an insert"] = c => c with { Inserts = [new(new("eq"), "equaliser")] },
        ["a send"] = c => c with { Sends = [new(new("hall"), new(-12))] },
        ["a feed"] = c => c with { Feeds = [new(new("keys"), new("ducked"), new(0), TapPoint.Pre)] },
        ["a curve"] = c => c with { Shapes = [new(new LevelTarget(), "song", [new(0, -6), new(1, 0)])] },
        ["a note"] = c => c with { Note = "Keep this one" },
        ["its level"] = c => c with { Level = new(-3) },
        ["its mute"] = c => c with { Muted = true },
        ["its hue"] = c => c with { HueDegrees = 200 },
        ["its role"] = c => c with { Role = "keys" },
        ["its polarity"] = c => c with { PolarityFlipped = true },
    };

    public static TheoryData<string> Kinds => [.. Work.Keys];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Coarser_OfTwoSplits_KeepsTheOneThatIsWorkedOn(string what)
    {
        var fine = Applied(Whole, 2);
        var second = fine.Channels.Single(c => c.Name == "Tom low");
        var dressed = fine with { Channels = fine.Channels.Replace(Work[what](second)) };

        var coarse = Applied(dressed, 1);

        var kept = coarse.Channels.Single(c => c.Kind == ChannelKind.Split && c.Name == "Toms");
        Assert.Equal(second.Id, kept.Id);
        Assert.Equal(Work[what](second) with { Name = "Toms", Destination = kept.Destination }, kept with { Source = second.Source });
    }

    [Fact]
    public void Coarser_OfTwoBareSplits_KeepsTheFirst() =>
        Assert.Equal(
            Applied(Whole, 2).Channels.Single(c => c.Name == "Tom high").Id,
            Applied(Applied(Whole, 2), 1).Channels.Single(c => c.Kind == ChannelKind.Split && c.Name == "Toms").Id);

    [Fact]
    public void Splits_StandBehindTheirInstrument_WhateverStandsBehindThat()
    {
        var order = Applied(Whole, 2).Channels.ToList();

        var behind = order.SkipWhile(c => c.Id != Player).Skip(1).TakeWhile(c => c.Id.Value != "hall").ToList();

        // The sum of the toms stands before what it sums.
        Assert.Equal(["Kick", "Toms", "Tom high", "Tom low"], behind.Select(c => c.Name));
    }

    /// <summary>A family that is summed already takes what a finer plan parts from it.</summary>
    [Fact]
    public void Finer_PutsASplitThatIsNewIntoTheSumOfItsFamily()
    {
        var three = new Kit([.. Set.Pieces, Piece.Pad("Tom floor", 41, "drums/toms", 1, DrumSound.LowTom)], Set.Outputs.Add(new("Output 5", ChannelFormat.Stereo)));
        var stage = Whole.With(new SetSource(Player, new InstrumentSource(InstrumentCatalogue.Tidewater, three)));
        var summed = Applied(stage, 2);
        var bus = summed.Channels.Single(c => c is { Kind: ChannelKind.Bus, Name: "Toms" }).Id;
        Assert.Equal(2, summed.Channels.Count(c => c.Destination == bus));

        var finest = Applied(summed, 3);

        Assert.Equal(["Tom floor", "Tom high", "Tom low"], finest.Channels.Where(c => c.Destination == bus).Select(c => c.Name).Order(StringComparer.Ordinal));
    }

    /// <summary>What was put aside of one machine is no other's, though both have pieces of the same names.</summary>
    [Fact]
    public void Finer_TakesBackOnlyWhatWasTheMachinesOwn()
    {
        var other = new ChannelId("twin");
        var both = Whole.With(new AddChannel(new() { Id = other, Name = "Twin set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, Set) }));
        var fine = Applied(both, 2);
        var coarse = Applied(fine.With([.. fine.Channels.Where(c => c.Kind == ChannelKind.Split).Select(c => new SetLevel(c.Id, new(-7)))]), 1);
        Assert.NotEmpty(coarse.Aside);

        var kit = ((InstrumentSource)coarse.Channels[other].Source!).Kit!;
        var jacks = KitJacks.Of(kit);
        var twin = coarse.With([.. SplitBatch.Of(coarse, other, ((PlanResult.Planned)jacks.Plans(kit)).Plans[^1])]);

        Assert.All(twin.Channels.Where(c => c.Source is OutputSource s && s.Instrument == other), c => Assert.Equal(default, c.Level));
        Assert.Equal(coarse.Aside, twin.Aside);
    }

    [Fact]
    public void Splits_GetTheirDefaultStrip_WhichIsNobodysWork()
    {
        var template = Whole.With(new PutDefaultStrip(new(new(ChannelKind.Split), new() { Inserts = [Insert("any", ProcessorCatalogue.Gate)] })));
        var fine = Applied(template, 2);

        Assert.All(fine.Channels.Where(c => c.Kind == ChannelKind.Split), c => Assert.Equal(ProcessorCatalogue.Gate, Assert.Single(c.Inserts).Processor));
        Assert.Empty(Applied(fine, 1).Aside);

        var low = fine.Channels.Single(c => c.Name == "Tom low");
        var high = fine.Channels.Single(c => c.Name == "Tom high");
        var turned = fine.With(new SetParameter(high.Id, high.Inserts[0].Id, "threshold-db", -30), new SetParameter(low.Id, low.Inserts[0].Id, "threshold-db", -50));
        Assert.NotEmpty(Applied(turned, 1).Aside);
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Coarser_OfASumThatIsWorkedOn_KeepsTheSum(string what)
    {
        var fine = Applied(Whole, 2);
        var sum = fine.Channels.Single(c => c.Kind == ChannelKind.Bus && c.Name == "Toms");
        var dressed = fine with { Channels = fine.Channels.Replace(Work[what](sum)) };

        Assert.Equal(Work[what](sum), Applied(dressed, 1).Channels.Single(c => c.Id == sum.Id));
        Assert.False(Applied(fine, 1).Channels.Contains(sum.Id));
    }

    /// <summary>The strip of an anvil with a low tom is none for two toms, though one of the two is in both.</summary>
    [Fact]
    public void Exactly_ThePiecesThatAStripWasPutAsideFor_AndNoOthers_TakeItBack()
    {
        var two = Whole.With(new AddChannel(Whole.Channels[Player] with { Id = new("other"), Name = "Other set" }));
        AsideSplit Aside(ChannelId of, string[] lines) => new(new() { Id = new("away"), Name = "Away", Kind = ChannelKind.Split, Level = new(-7), Source = new OutputSource(of, 2) }, [.. lines], [.. lines], []);
        bool ComesBackTo(ChannelId of, params string[] lines) => Applied(two.With(new PutAside(Aside(of, lines))), 1).Channels.Any(c => c.Level == new Decibels(-7));
        bool ComesBack(params string[] lines) => ComesBackTo(Player, lines);

        // The coarsest plan puts the toms together.
        Assert.True(ComesBack("Tom high", "Tom low"));
        Assert.False(ComesBack("Anvil", "Tom low"));
        // Nor is that of another machine, whatever its pieces are called.
        Assert.False(ComesBackTo(new("other"), "Tom high", "Tom low"));
    }

    /// <summary>With a strip go the feeds into its own inserts, and not those into inserts of the same id elsewhere.</summary>
    [Fact]
    public void AStripThatIsPutAside_TakesTheFeedsIntoItAlone()
    {
        var fine = Applied(Whole, 2).With(Trigger("pulse"));
        var (high, low) = (fine.Channels.Single(c => c.Name == "Tom high"), fine.Channels.Single(c => c.Name == "Tom low"));
        var keyed = Insert("ducked", ProcessorCatalogue.Compressor) with { Key = new(true) };
        // The low tom's compressor has the id that the keys' has.
        var dressed = fine.With(new SetNote(high.Id, "Mine"), new AddInsert(low.Id, keyed), new PutFeed(new("pulse"), new(low.Id, keyed.Id, new(-2))), new PutFeed(new("pulse"), new(new("keys"), keyed.Id, new(-4))));

        var coarse = Applied(dressed, 1);

        // Of two that are worked on the first stays.
        var aside = Assert.Single(coarse.Aside, a => !a.Stays);
        Assert.Equal([new AsideFeed(new("pulse"), new(low.Id, keyed.Id, new(-2)))], aside.Fed);
        Assert.Equal([new ChannelId("keys")], coarse.Channels[new ChannelId("pulse")].Feeds.Select(f => f.Channel));
    }

    /// <summary>What was put aside is known by the note as well, so that a piece may be renamed in between.</summary>
    [Fact]
    public void Finer_AfterAPieceWasRenamed_TakesItsStripBack_AndAForgottenOneStaysAway()
    {
        var fine = Applied(Whole, 2);
        var (high, low) = (fine.Channels.Single(c => c.Name == "Tom high"), fine.Channels.Single(c => c.Name == "Tom low"));
        var dressed = fine.With(new SetLevel(high.Id, new(-2)), new SetLevel(low.Id, new(-5)));
        var coarse = Applied(dressed, 1);
        var aside = Assert.Single(coarse.Aside, a => !a.Stays);
        var piece = ((InstrumentSource)coarse.Channels[Player].Source!).Kit!.Pieces.Single(p => p.Name == aside.Lines[0]);

        var renamed = Applied(coarse.With(new PutPiece(Player, piece with { Name = "Thunder" }, piece.Name)), 2);
        var forgotten = Applied(coarse.With(new RemoveAside(aside.Split.Id)), 2);

        Assert.Equal(aside.Split.Level, renamed.Channels.Single(c => c.Source is OutputSource o && ((InstrumentSource)renamed.Channels[Player].Source!).Kit!.Lines.Any(l => l.Name == "Thunder" && l.Output == o.Output)).Level);
        Assert.DoesNotContain(forgotten.Channels, c => c.Level == aside.Split.Level);
    }

    [Fact]
    public void Finer_WhereABusOfThatNameStandsElsewhere_MakesOneOfItsOwn()
    {
        var elsewhere = Whole.With(new AddChannel(new() { Id = new("others"), Name = "Toms", Kind = ChannelKind.Bus, Destination = new("keys") }));

        var fine = Applied(elsewhere, 2);

        Assert.DoesNotContain(fine.Channels, c => c.Destination == new ChannelId("others"));
        Assert.Equal(2, fine.Channels.Count(c => c.Kind == ChannelKind.Bus && c.Name.StartsWith("Toms", StringComparison.Ordinal)));
    }

    /// <summary>A mono output has its place from its piece, also where that was moved meanwhile: the two toms stand around 0.15 then, their split 0.55 to the left
    /// of that, and takes 0.7 along. A pair may have been turned as a whole, and comes back so.</summary>
    [Theory]
    [InlineData(ChannelFormat.Stereo, -0.4)]
    [InlineData(ChannelFormat.Mono, 0.7 - 0.55)]
    public void Finer_TakesThePlaceOfAPairBack_AndThatOfAMonoOutputFromItsPiece(ChannelFormat outputs, double expected)
    {
        var machine = Whole.With(new SetSource(Player, new InstrumentSource(InstrumentCatalogue.OwnMachine, Set with { Outputs = [.. Set.Outputs.Select(o => o with { Format = outputs })] })));
        var fine = Applied(machine, 2);
        var (high, low) = (fine.Channels.Single(c => c.Name == "Tom high").Id, fine.Channels.Single(c => c.Name == "Tom low").Id);
        var coarse = Applied(fine.With(new SetLevel(high, new(-2)), new SetLevel(low, new(-2)), new SetPan(high, -0.4), new SetPan(low, -0.4)), 1);
        var aside = Assert.Single(coarse.Aside, a => !a.Stays).Lines.Single();

        var piece = ((InstrumentSource)coarse.Channels[Player].Source!).Kit!.Pieces.Single(p => p.Name == aside);
        var moved = coarse.With(new PutPiece(Player, piece with { Microphones = [piece.Microphones[0] with { Pan = 0.7 }] }, aside));

        var again = Applied(moved, 2).Channels.Single(c => c.Name == aside);

        Assert.Equal(new Decibels(-2), again.Level);
        Assert.Equal(expected, again.Pan, 1e-9);
    }

    /// <summary>What a split steers, it steers again, whatever else is on the channel that listens; what listens no more is left out.</summary>
    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Finer_TakesAFeedBack_AsLongAsSomethingListens(bool listens)
    {
        var stage = Whole.With(new AddInsert(new("keys"), Insert("other", ProcessorCatalogue.Gate)));
        var fine = Applied(stage, 2);
        var (high, low) = (fine.Channels.Single(c => c.Name == "Tom high").Id, fine.Channels.Single(c => c.Name == "Tom low").Id);
        var feed = new SidechainFeed(new("keys"), new("ducked"), new(-3), TapPoint.Pre);
        var coarse = Applied(fine.With(new PutFeed(high, feed), new PutFeed(low, feed)), 1);
        var aside = Assert.Single(coarse.Aside, a => !a.Stays).Lines.Single();

        var again = Applied(listens ? coarse : coarse.With(new RemoveInsert(new("keys"), new("ducked"))), 2).Channels.Single(c => c.Name == aside);

        Assert.Equal(listens ? [feed] : [], again.Feeds);
    }

    /// <summary>A second mix bus is no drum bus, whatever feeds it.</summary>
    [Fact]
    public void Finer_UnderAnotherMixBus_GetsADrumBusOfItsOwn()
    {
        var second = new ChannelId("second");
        var stage = Whole.With(new AddChannel(new() { Id = second, Name = "Second sum", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus, Role = "mix-bus" }), new SetDestination(Player, second));

        var bus = Applied(stage, 2).Channels.Single(c => c.Name == "Drums");

        Assert.Equal((ChannelKind.Bus, second), (bus.Kind, bus.Destination!.Value));
    }

    [Fact]
    public void Finer_WhereTwoBusesBearTheNameOfTheFamily_UsesTheFirst()
    {
        var summed = Applied(Whole, 2);
        var toms = summed.Channels.Single(c => c.Kind == ChannelKind.Bus && c.Name == "Toms");
        var coarse = Applied(summed.With(new SetNote(toms.Id, "Mine"), new AddChannel(toms with { Id = new("later"), Note = "Mine too" })), 1);

        var fine = Applied(coarse, 2);

        Assert.Equal(["Tom high", "Tom low"], fine.Channels.Where(c => c.Destination == toms.Id).Select(c => c.Name).Order(StringComparer.Ordinal));
    }

    /// <summary>What stays on the first output is there, wherever it was.</summary>
    [Fact]
    public void LaidOut_APieceThatStaysOnTheFirst_IsThere()
    {
        var kit = Set with { Pieces = [.. Set.Pieces.Select((p, i) => p with { Microphones = [p.Microphones[0] with { Output = i + 2, Stay = i == 0 ? PieceStay.OnFirst : PieceStay.ByPlan }] })] };

        var after = ((InstrumentSource)Applied(Whole.With(new SetSource(Player, new InstrumentSource(InstrumentCatalogue.Tidewater, kit))), 0).Channels[Player].Source!).Kit!;

        Assert.Equal(1, after.Lines.Single(l => l.Name == "Kick").Output);
        Assert.Equal(["Tom high", "Tom low"], after.Lines.Where(l => l.Output == 2).Select(l => l.Name));
    }

    /// <summary>An audio channel is no bus, whatever it is called.</summary>
    [Fact]
    public void Finer_SumsAFamilyInABusAlone()
    {
        var plain = new Kit([.. Set.Pieces, Piece.Pad("Anvil", 50, "", 1, DrumSound.Bell), Piece.Pad("Chain", 51, "", 1, DrumSound.Shaker)], [.. Enumerable.Range(1, 6).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        var stage = Whole.With(new SetSource(Player, new InstrumentSource(InstrumentCatalogue.OwnMachine, plain)), new AddChannel(new() { Id = new("impostor"), Name = "Toms", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }));

        var fine = Applied(stage, 4);

        var buses = fine.Channels.Where(c => c.Kind == ChannelKind.Bus && !stage.Channels.Contains(c.Id)).ToDictionary(c => c.Name, c => c.Id);
        Assert.Equal(["Drums", "Toms"], buses.Keys.Order(StringComparer.Ordinal));
        Assert.Equal(["Tom high", "Tom low"], fine.Channels.Where(c => c.Destination == buses["Toms"]).Select(c => c.Name).Order(StringComparer.Ordinal));
    }

    /// <summary>Jacks are neither made nor lost: what no group takes stays, pair by pair, a half where no pair is left.</summary>
    [Theory]
    [InlineData(true, new[] { 2, 2, 1 }, new[] { 2, 2, 1 })]
    [InlineData(true, new[] { 2, 2, 2, 2 }, new[] { 2, 2, 2, 2 })]
    [InlineData(false, new[] { 1, 1, 1, 1 }, new[] { 1, 1, 1, 1 })]
    public void LaidOut_OverOneOutput_LeavesTheOtherJacksFree(bool reserved, int[] widths, int[] expected)
    {
        var kit = new Kit(Set.Pieces, [.. widths.Select((w, i) => new KitOutput($"Output {i + 1}", w == 2 ? ChannelFormat.Stereo : ChannelFormat.Mono))], reserved);
        var jacks = KitJacks.Of(kit);
        var plan = ((PlanResult.Planned)OutputPlanner.Plans([.. kit.Lines.Select(PlanPiece.Of)], jacks.Outputs, jacks.Use)).Plans[0];

        var (laid, numbers) = jacks.LaidOut(kit, plan, ["All"]);

        Assert.Equal(expected, laid.Outputs.Select(o => o.Format == ChannelFormat.Stereo ? 2 : 1));
        Assert.Equal([reserved ? 2 : 1], numbers);
        Assert.Equal("All", laid.Outputs[numbers[0] - 1].Name);
        Assert.All(laid.Lines, l => Assert.Equal(numbers[0], l.Output));
    }
}
