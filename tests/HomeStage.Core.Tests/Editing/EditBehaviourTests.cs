using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

/// <summary>What single edits do beside the value that they are named for.</summary>
public class EditBehaviourTests
{
    private static readonly Kit Set = new(
        [Piece.Pad("Kick", 36, "drums/kick", 1, DrumSound.Kick), Piece.Pad("Snare", 38, "drums/snare", 1, DrumSound.Snare)],
        [new("The rest", ChannelFormat.Stereo), new("Kick", ChannelFormat.Stereo)]);

    private static readonly Template Stage = OneBar(
        Return("hall", "mix-bus"), Return("plate", "mix-bus"), Bus("keys", "mix-bus", Insert("comp", "compressor"), Insert("eq", "equaliser"), Insert("limit", "limiter")),
        Tone("organ", "keys"),
        new AddChannel(new() { Id = new("set"), Name = "Set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, Set) }));

    [Fact]
    public void PutSend_OverOneOfTwo_IsTakenBackAsItWas()
    {
        var both = Stage.With(new PutSend(new("keys"), new(new("hall"), new(-9))), new PutSend(new("keys"), new(new("plate"), new(-3), TapPoint.Pre, Open: false)));

        var changed = Assert.IsType<EditResult.Applied>(new PutSend(new("keys"), new(new("plate"), new(-20))).ApplyTo(both));

        Assert.Equal(both, changed.Template.With(changed.Inverse));
    }

    [Fact]
    public void SetActs_ForgetsAnActThatIsGone_WhereAnInsertIsParkedInOthersToo()
    {
        var parked = Stage.With(new ParkInsert(new("keys"), new("comp"), ["write", "record"]));

        var fewer = parked.With(new SetActs([.. Stage.Acts.Where(a => a.Id != "record")]));

        Assert.Equal(["write"], fewer.Channels[new ChannelId("keys")].Inserts.Single(i => i.Id.Value == "comp").ParkedIn);
    }

    [Fact]
    public void SetPieceSound_OfTheFirstPiece_IsItsSound()
    {
        var sound = new MediaRef(new('b', 64), "Thud", 48000, 1, 4800);

        Assert.Equal([sound, null], Stage.With(new SetPieceSound(new("set"), "Kick", sound)).KitOf("set")!.Pieces.Select(p => p.Sample));
    }

    [Fact]
    public void PutPiece_OnTheFirstOutputThatIsCalledAfterIt_RenamesBoth()
    {
        var called = Stage.With(new PutKitOutput(new("set"), new("Kick", ChannelFormat.Stereo), 1));

        var renamed = called.With(new PutPiece(new("set"), Set.Pieces[0] with { Name = "Boom" }, "Kick"));

        Assert.Equal("Boom", renamed.KitOf("set")!.Outputs[0].Name);
    }

    /// <summary>Kits, then machines, then grooves, then patches; each by its place.</summary>
    [Fact]
    public void PutShelfCopy_KeepsThemByKindThenByPlace_OnePartFromOnePlace()
    {
        static PutShelfCopy Copy(ShelfKind kind, string place, int revision = 1) => new(new(kind, place, "item", revision, Map<string>.Empty));

        var after = Stage.With(Copy(ShelfKind.Patch, "organ/Slow"), Copy(ShelfKind.Kit, "set"), Copy(ShelfKind.Groove, "Late"), Copy(ShelfKind.Groove, "Early"), Copy(ShelfKind.Kit, "set", 2));

        Assert.Equal([("set", 2), ("Early", 1), ("Late", 1), ("organ/Slow", 1)], after.Copies.Select(c => (c.Place, c.Revision)));
    }

    [Fact]
    public void Put_InAnyOrder_GivesOneTemplate_SinceGroovesPatchesAndLeversAreSorted()
    {
        Edit[] parts =
        [
            new PutGroove(new Groove("B", Ticks.PerQuarter, [new(0)])), new PutGroove(new Groove("A", Ticks.PerQuarter, [new(0)])),
            new PutPatch(new Patch("limiter", "B", Map<double>.Empty)), new PutPatch(new Patch("limiter", "A", Map<double>.Empty)), new PutPatch(new Patch("compressor", "C", Map<double>.Empty)),
            new PutLever(new Lever("b", "B", 0, [new(new("organ"), new LevelTarget(), -12, 0)])), new PutLever(new Lever("a", "A", 0, [new(new("organ"), new PanTarget(), -1, 1)])),
        ];

        var forth = Stage.With(parts);

        Assert.Equal(forth, Stage.With([.. parts.Reverse()]));
        Assert.Equal(["A", "B"], forth.Grooves.Select(g => g.Name));
        Assert.Equal(["compressor C", "limiter A", "limiter B"], forth.Patches.Select(p => $"{p.Of} {p.Name}"));
        Assert.Equal(["a", "b"], forth.Levers.Select(l => l.Id));
    }

    [Fact]
    public void Put_OfOneThatIsThere_TakesItsPlace_AndItsInverseBringsItBack()
    {
        var before = Stage.With(
            new PutGroove(new Groove("A", Ticks.PerQuarter, [new(0)])), new PutGroove(new Groove("B", Ticks.PerQuarter, [new(0)])),
            new PutLever(new Lever("a", "A", 0, [new(new("organ"), new LevelTarget(), -12, 0)])));
        Edit[] changes =
        [
            new PutGroove(new Groove("A", Ticks.PerQuarter, [new(0, 20)])),
            new PutLever(new Lever("a", "Other", 0.5, [new(new("organ"), new LevelTarget(), -6, 0)])),
            new PutPattern(new("organ"), new("Held", Ticks.PerQuarter, [new(0, 120, 61, 90)], [])),
        ];

        foreach (var change in changes)
        {
            var applied = Assert.IsType<EditResult.Applied>(change.ApplyTo(before));

            Assert.Equal((before.Grooves.Count, before.Levers.Count, 1), (applied.Template.Grooves.Count, applied.Template.Levers.Count, applied.Template.Channels[new ChannelId("organ")].Patterns.Count));
            Assert.NotEqual(before, applied.Template);
            Assert.Equal(before, before.With(change, applied.Inverse));
        }
    }

    [Fact]
    public void MoveChannel_BeforeItself_OrBeforeNobody_SaysWhich()
    {
        Assert.Equal(new Refusal.WrongPlace("Tone organ", "cannot stand before itself"), Stage.RefusalOf(new MoveChannel(new("organ"), new("keys"), new("organ"))));
        Assert.Equal(new Refusal.UnknownChannel(new("ghost")), Stage.RefusalOf(new MoveChannel(new("organ"), new("keys"), new("ghost"))));
    }

    [Theory]
    [InlineData(-1)]
    [InlineData(3)]
    public void MoveInsert_BeyondTheStrip_SaysWhereItEnds(int place)
    {
        Assert.Equal(new Refusal.OutOfRange("The place in the strip of Bus keys", place, 0, 2, ""), Stage.RefusalOf(new MoveInsert(new("keys"), new("comp"), place)));
        Assert.Equal(["eq", "limit", "comp"], Stage.With(new MoveInsert(new("keys"), new("comp"), 2)).Channels[new ChannelId("keys")].Inserts.Select(i => i.Id.Value));
    }

    [Theory]
    [InlineData(-1, false)]
    [InlineData(0, true)]
    [InlineData(9999, true)]
    [InlineData(10000, false)]
    public void NameChannels_CountsFromZeroTo9999(int from, bool isTaken)
    {
        var edit = new NameChannels([new("organ")], "Part #", from);

        if (isTaken)
            Assert.Equal($"Part {from}", Stage.With(edit).Channels[new ChannelId("organ")].Name);
        else
            Assert.Equal(new Refusal.OutOfRange("The first number", from, 0, 9999, ""), Stage.RefusalOf(edit));
    }

    [Fact]
    public void PutStarter_OfAKnownName_IsUndoneToWhatWasThere()
    {
        MediaRef Sound(char digit) => new(new(digit, 64), "Loop", 48000, 2, 96000);
        var voice = Stage.With(new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }),
            new PutStarter(new("voice"), new("One", Sound('a'), false, new(0), [])), new PutStarter(new("voice"), new("Two", Sound('b'), false, new(-3), [])));

        var changed = (BatchResult.Applied)Batch.Apply(voice, [new PutStarter(new("voice"), new("Two", Sound('c'), true, new(-6), []))]);

        Assert.Equal([("One", 'a'), ("Two", 'c')], changed.Template.Channels[new ChannelId("voice")].Starters.Select(s => (s.Name, s.Sound.Content[0])));
        Assert.Equal(voice, ((BatchResult.Applied)Batch.Apply(changed.Template, changed.Inverse)).Template);
    }

    [Theory]
    [InlineData(0, null, 0)]
    [InlineData(129, null, 129)]
    [InlineData(1, 129, 129)]
    [InlineData(128, 0, 0)]
    public void SetSource_OfAnInputThatIsNot_NamesTheOneThatIsWrong(int first, int? second, int wrong)
    {
        var voice = Stage.With(new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }));

        Assert.Equal(new Refusal.OutOfRange("The input of Voice", wrong, 1, InputSource.Last, ""), voice.RefusalOf(new SetSource(new("voice"), new InputSource(first, second))));
        Assert.Equal(new Refusal.Doubled("input on Voice", "4"), voice.RefusalOf(new SetSource(new("voice"), new InputSource(4, 4))));
    }

    [Fact]
    public void SetSource_OfAKitWhereNoneIs_AndNoneWhereOneIs_SaysWhich()
    {
        Assert.Equal(new Refusal.WrongPlace("Undertow", "plays no kit"), Stage.RefusalOf(new SetSource(new("set"), new InstrumentSource(InstrumentCatalogue.Undertow, Set))));
        Assert.Equal(new Refusal.WrongPlace("Tidewater Kit", "needs a kit of pieces and outputs"), Stage.RefusalOf(new SetSource(new("set"), new InstrumentSource(InstrumentCatalogue.Tidewater))));
    }

    [Theory]
    [InlineData(0)]
    [InlineData(3)]
    public void SetSource_OfASplit_IsHeldToTheOutputsThatThereAre(int output)
    {
        var split = Stage.With(new AddChannel(new() { Id = new("split"), Name = "Split", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new("set"), 2) }));

        Assert.Equal(new Refusal.OutOfRange("The output of Set that Split takes", output, 1, 2, ""), split.RefusalOf(new SetSource(new("split"), new OutputSource(new("set"), output))));
        Assert.IsType<Refusal.WrongPlace>(split.RefusalOf(new SetSource(new("split"), new OutputSource(new("set"), 1))));
        Assert.IsType<Refusal.WrongPlace>(split.RefusalOf(new SetSource(new("split"), new OutputSource(new("organ"), 2))));
        Assert.IsType<Refusal.UnknownChannel>(split.RefusalOf(new SetSource(new("split"), new OutputSource(new("ghost"), 2))));
    }

    [Fact]
    public void SetPiecePlace_ChangesThatPieceAlone()
    {
        var after = Stage.With(new SetPiecePlace(new("set"), "Snare", PieceStay.Alone, 7));

        var pieces = ((InstrumentSource)after.Channels[new ChannelId("set")].Source!).Kit!.Pieces;
        Assert.Equal([Set.Pieces[0], Set.Pieces[1] with { Microphones = [Set.Pieces[1].Microphones[0] with { Stay = PieceStay.Alone, Importance = 7 }] }], pieces);
        Assert.IsType<Refusal.Missing>(Stage.RefusalOf(new SetPiecePlace(new("set"), "Gong", PieceStay.Alone, 7)));
    }

    [Fact]
    public void SetStage_OutOfTheWings_LeavesWhatAClosedSendLeadsToWhereItIs()
    {
        var resting = Stage.With(
            new PutSend(new("organ"), new(new("hall"), new(-12))), new PutSend(new("organ"), new(new("plate"), new(-12), Open: false)),
            new SetStage(new("organ"), InMix, StageState.InTheWings), new SetStage(new("hall"), InMix, StageState.InTheWings), new SetStage(new("plate"), InMix, StageState.InTheWings));

        var after = resting.With(new SetStage(new("organ"), InMix, StageState.OnStage));

        Assert.Equal(StageState.OnStage, after.Channels[new ChannelId("hall")].StageIn(InMix));
        Assert.Equal(StageState.InTheWings, after.Channels[new ChannelId("plate")].StageIn(InMix));
    }

    [Fact]
    public void SetStage_IntoTheWings_IsUndoneWithoutBringingWhatRestedBefore()
    {
        // Somebody sent the bus away after the organ was on stage: the organ sounds into nothing, and undoing does not mend that.
        var stage = Stage.With(new SetStage(EmptyStage.MixBus, InMix, StageState.InTheWings));
        var rest = (BatchResult.Applied)Batch.Apply(stage, [new SetStage(new("organ"), InMix, StageState.InTheWings)]);

        Assert.Equal(stage, ((BatchResult.Applied)Batch.Apply(rest.Template, rest.Inverse)).Template);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(3)]
    [InlineData(7)]
    public void AddChannel_AtAPlace_StandsThere(int place) =>
        Assert.Equal(place, Stage.With(new AddChannel(new() { Id = new("new"), Name = "New", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus }, place)).Channels.IndexOf(new("new")));

    [Theory]
    [InlineData(-1)]
    [InlineData(8)]
    public void AddChannel_BeyondTheList_IsRefused(int place) =>
        Assert.IsType<Refusal.OutOfRange>(Stage.RefusalOf(new AddChannel(new() { Id = new("new"), Name = "New", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus }, place)));

    [Theory]
    [InlineData(0, "limit,comp,eq")]
    [InlineData(1, "comp,limit,eq")]
    [InlineData(2, "comp,eq,limit")]
    public void MoveInsert_ToAPlace_StandsThere(int place, string order) =>
        Assert.Equal(order, string.Join(",", Stage.With(new MoveInsert(new("keys"), new("limit"), place)).Channels[new ChannelId("keys")].Inserts.Select(i => i.Id.Value)));

    [Theory]
    [InlineData(-1)]
    [InlineData(3)]
    public void MoveInsert_BeyondTheStrip_IsRefused(int place) =>
        Assert.IsType<Refusal.OutOfRange>(Stage.RefusalOf(new MoveInsert(new("keys"), new("limit"), place)));

    [Fact]
    public void RestoreChannels_ThatPutsBackAndTakesAway_IsRefused()
    {
        var organ = Stage.Channels[new ChannelId("organ")];

        Assert.IsType<Refusal.WrongPlace>(Stage.RefusalOf(new RestoreChannels([new(organ with { Id = new("new"), Name = "New" }, 1)], [new("organ")])));
        Assert.IsType<Refusal.OutOfRange>(Stage.RefusalOf(new RestoreChannels([new(organ with { Id = new("new"), Name = "New" }, Stage.Channels.Count + 1)], [])));
        Assert.IsType<Refusal.ChannelExists>(Stage.RefusalOf(new RestoreChannels([new(organ, 1)], [])));
        Assert.Equal(3, Stage.With(new RestoreChannels([new(organ with { Id = new("new"), Name = "New" }, 3)], [])).Channels.IndexOf(new("new")));
    }

    [Fact]
    public void ReplaceInsert_KeepsWhatIsToldOfIt_AndOfControlsThatTheOtherHasToo()
    {
        var told = Insert("x", ProcessorCatalogue.Compressor) with { Notes = Map<string>.Empty.With("", "Leave it").With("threshold-db", "Not lower").With("ratio", "Not higher") };

        var after = OneBar(Bus("b", "mix-bus", told)).With(new ReplaceInsert(new("b"), new("x"), ProcessorCatalogue.Gate)).Channels[new ChannelId("b")].Inserts[0];

        // A gate has a threshold, and no ratio.
        Assert.Equal([("", "Leave it"), ("threshold-db", "Not lower")], after.Notes.Select(n => (n.Key, n.Value)));
    }

    [Fact]
    public void EditsOfSeveral_NameTheFirstThatIsNone()
    {
        var stage = OneBar(Tone("a", "mix-bus"));

        Assert.Equal(new Refusal.UnknownChannel(new("ghost")), stage.RefusalOf(new NameChannels([new("a"), new("ghost"), new("spirit")], "Part {n}")));
    }

    /// <summary>What stands still while anything plays is put on no lever anew; an older one that holds it keeps it, and may be renamed.</summary>
    [Fact]
    public void PutLever_OnWhatStandsStill_IsRefused_UnlessItHeldThatBefore()
    {
        var stage = OneBar(Bus("drums", "mix-bus", Insert("eq", ProcessorCatalogue.Equaliser)));
        LeverRange still = new(new("drums"), new InsertTarget(new("eq"), "part"), 0, 1), moves = new(new("drums"), new InsertTarget(new("eq"), "bell-1-db"), 0, 6);
        var older = stage with { Levers = [new("l", "Lift", 0, [still, moves])] };

        Assert.IsType<Refusal.StandsStill>(stage.RefusalOf(new PutLever(new("l", "Lift", 0, [moves, still]))));
        Assert.IsType<Refusal.StandsStill>(older.RefusalOf(new PutLever(new("l", "Lift", 0, [still with { To = 2 }]))));
        Assert.Equal("Sink", older.With(new PutLever(older.Levers[0] with { Name = "Sink" })).Levers[0].Name);
        Assert.Equal([moves], stage.With(new PutLever(new("l", "Lift", 0, [moves]))).Levers[0].Ranges);
    }

    /// <summary>A strip that says for an act what is so already leaves it, and so leaves who else stands there.</summary>
    [Fact]
    public void LayStrip_WithAStageThatIsSoAlready_BringsNobodyOnStage()
    {
        var stage = OneBar(Bus("drums", "mix-bus"), Tone("kick", "drums"));
        var act = stage.Acts[0].Id;
        // Whoever comes on stage brings along what it feeds.
        var resting = stage with { Channels = stage.Channels.Replace(stage.Channels[new ChannelId("drums")] with { Stages = Map<StageState>.Empty.With(act, StageState.InTheWings) }) };

        var after = resting.With(new LayStrip([new("kick")], new() { Inserts = [], Stages = Map<StageState>.Empty.With(act, StageState.OnStage) }));

        Assert.Equal(StageState.InTheWings, after.Channels[new ChannelId("drums")].StageIn(act));
    }

    /// <summary>A device that takes no key strands what feeds the key of its stand-in, and nobody else.</summary>
    [Fact]
    public void SetDevice_WithoutAKey_IsRefused_WhereSomethingFeedsThatKey()
    {
        var stage = OneBar(
            Bus("drums", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) }), Bus("strings", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor)),
            Trigger("pulse"), new PutFeed(new("pulse"), new(new("drums"), new("comp"), new(0))));
        OutsideDevice deaf = new("Old Winch"), hearing = deaf with { Key = KeyWidth.Stereo };

        Assert.IsType<Refusal.WrongPlace>(stage.RefusalOf(new SetDevice(new("drums"), new("comp"), deaf)));
        Assert.Equal(hearing, stage.With(new SetDevice(new("drums"), new("comp"), hearing)).Channels[new ChannelId("drums")].Inserts[0].Device);
        Assert.Equal(deaf, stage.With(new SetDevice(new("strings"), new("comp"), deaf)).Channels[new ChannelId("strings")].Inserts[0].Device);
    }

    [Fact]
    public void SetSpare_OfABus_IsRefused_ButItMayAlwaysBeTakenBack()
    {
        Assert.IsType<Refusal.WrongPlace>(Stage.RefusalOf(new SetSpare(new("keys"), true)));
        Assert.Equal(Stage, Stage.With(new SetSpare(new("keys"), false)));
        Assert.True(Stage.With(new SetSpare(new("organ"), true)).Channels[new ChannelId("organ")].Spare);
    }
}
