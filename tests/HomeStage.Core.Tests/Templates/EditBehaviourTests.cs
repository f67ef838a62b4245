using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Notes;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Templates;

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

    /// <summary>Loops are looked for after edits that say that they change the routing; so each that joins channels that were there must say it.</summary>
    [Property(MaxTest = 150)]
    public void ChangesRouting_IsSaidByEveryEditThatJoinsChannels(int seed)
    {
        var chance = new RandomTemplates(seed);
        var template = chance.Grown(40);
        var before = Joined(template);
        foreach (var edit in chance.Edits(template, 20))
            if (edit.ApplyTo(template) is EditResult.Applied { Template: var after })
                Assert.True(
                    edit.ChangesRouting || Joined(after).Except(before).All(j => !template.Channels.Contains(j.From) || !template.Channels.Contains(j.To)),
                    $"{edit} joins channels and does not say so.");
    }

    private static HashSet<(ChannelId From, ChannelId To, LinkKind Kind)> Joined(Template template)
    {
        var graph = new SignalGraph(template);
        ChannelId Of(int stage) => template.Channels[graph.Stages[stage].Channel].Id;
        return graph.Links.Where(l => l.Kind != LinkKind.Within).Select(l => (Of(l.From), Of(l.To), l.Kind)).ToHashSet();
    }

    [Theory]
    [MemberData(nameof(Routing))]
    public void ChangesRouting_OfEditsThatJoinChannels_IsTrue(Edit edit) => Assert.True(edit.ChangesRouting);

    public static TheoryData<Edit> Routing =>
    [
        new MoveInsert(new("keys"), new("comp"), 1), new SetOutputs(new("set"), Set, []), new SetDestination(new("organ"), EmptyStage.MixBus), new MoveChannel(new("organ"), EmptyStage.MixBus, null),
        new PutSend(new("organ"), new(new("hall"), new(0))), new PutFeed(new("organ"), new(new("keys"), new("comp"), new(0), TapPoint.Pre)), new SetSource(new("organ"), null),
        new AddSends([new("organ")], new(new("hall"), new(0))), new BusAround([new("organ")], new("all"), "All"), new RestoreChannels([], []),
    ];

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
    public void SetSpare_OfABus_IsRefused_ButItMayAlwaysBeTakenBack()
    {
        Assert.IsType<Refusal.WrongPlace>(Stage.RefusalOf(new SetSpare(new("keys"), true)));
        Assert.Equal(Stage, Stage.With(new SetSpare(new("keys"), false)));
        Assert.True(Stage.With(new SetSpare(new("organ"), true)).Channels[new ChannelId("organ")].Spare);
    }
}
