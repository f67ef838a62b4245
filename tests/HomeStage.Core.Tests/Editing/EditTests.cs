using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

public class EditTests
{
    private static readonly Insert Comp = Insert("comp", ProcessorCatalogue.Compressor);

    [Fact]
    public void RemoveChannel_ThatFeedsItselfWithinABatch_LeavesNothingThatFeedsWhatIsGone()
    {
        var template = OneBar(Bus("low", "mix-bus"), Tone("a", "low"));

        var after = template.With(new SetDestination(new("low"), new("low")), new RemoveChannel(new("low")));

        Assert.Null(after.Channels[new ChannelId("a")].Destination);
        Assert.Null(TemplateRules.Check(after));
    }

    [Fact]
    public void ABatch_OfMoreEditsThanThereIsRoomFor_IsRefusedBeforeItsFirst()
    {
        var edits = Enumerable.Repeat<Edit>(new SetMute(EmptyStage.MixBus, true), Batch.MostEdits).ToList();
        Assert.IsType<BatchResult.Applied>(Batch.Apply(OneBar(), edits));

        var refused = Assert.IsType<BatchResult.Refused>(Batch.Apply(OneBar(), [.. edits, new SetMute(EmptyStage.MixBus, false)]));

        Assert.Equal((0, "too-many"), (refused.EditIndex, refused.Why.Code));
    }

    [Theory]
    [InlineData(0, "new main mix-bus")]
    [InlineData(1, "main new mix-bus")]
    [InlineData(2, "main mix-bus new")]
    [InlineData(null, "main mix-bus new")]
    public void AddChannel_StandsWhereItIsPut(int? place, string order)
    {
        Assert.Equal(order.Split(' '), OneBar(new AddChannel(Bus("new", "mix-bus").Channel, place)).Channels.Select(c => c.Id.Value));
    }

    [Theory]
    [InlineData(-1)]
    [InlineData(3)]
    public void AddChannel_OutsideOfTheOrder_IsRefused(int place)
    {
        Assert.IsType<Refusal.OutOfRange>(OneBar().RefusalOf(new AddChannel(Bus("new", "mix-bus").Channel, place)));
    }

    [Fact]
    public void PutAside_OfOneThatIsThere_ChangesThatOne_AndUndoBringsItBack()
    {
        static PutAside Away(string id, string line) => new(new(new() { Id = new(id), Name = id, Kind = ChannelKind.Split, Source = new OutputSource(new("keys"), 2) }, [line], [line], []));
        var two = OneBar(Away("a", "Kick"), Away("b", "Snare"));

        var changed = Assert.IsType<BatchResult.Applied>(Batch.Apply(two, [Away("b", "Rim")]));

        Assert.Equal(["Kick", "Rim"], changed.Template.Aside.Select(a => a.Lines.Single()));
        Assert.Equal(two, Assert.IsType<BatchResult.Applied>(Batch.Apply(changed.Template, changed.Inverse)).Template);
    }

    [Fact]
    public void StandAlike_InAnActThatIsNone_IsRefused_AndInOneThatIsThereParks()
    {
        var template = OneBar(Bus("a", "mix-bus", Comp), Bus("b", "mix-bus", Comp));
        StandAlike In(string? act, bool live = false) => new([new("a"), new("b")], new("a"), Comp.Id, act, live);

        Assert.Equal("There is no act 'tour' in this template.", template.RefusalOf(In("tour")).Sentence);
        Assert.All(["a", "b"], id => Assert.Equal(["mix"], template.With(In("mix")).Channels[new ChannelId(id)].Inserts[0].ParkedIn));
        Assert.All(["a", "b"], id => Assert.Equal(["record"], template.With(In("mix"), In("record"), In("mix", live: true)).Channels[new ChannelId(id)].Inserts[0].ParkedIn));
        Assert.All(["a", "b"], id => Assert.True(template.With(In(null)).Channels[new ChannelId(id)].Inserts[0].Off));
    }

    [Fact]
    public void LayStrip_WithStages_SetsThoseOfActsThatAreHere()
    {
        var stages = Map<StageState>.From([new("mix", StageState.InTheWings), new("tour", StageState.InTheWings)]);

        var laid = OneBar(Bus("a", "mix-bus")).With(new LayStrip([new("a")], new() { Stages = stages })).Channels[new ChannelId("a")];

        Assert.Equal([("mix", StageState.InTheWings)], laid.Stages.Select(s => (s.Key, s.Value)));
    }

    /// <summary>What says more comes after what says less; alike by kind, role and family.</summary>
    [Fact]
    public void PutDefaultStrip_InWhateverOrder_LaysThemInOne()
    {
        StripScope[] scopes = [new(ChannelKind.Bus), new(null, Family: "voices"), new(ChannelKind.Audio, Family: "drums"), new(ChannelKind.Audio, Family: "voices"), new(ChannelKind.Audio, Role: "keys"), new(ChannelKind.Audio, Role: "lead-voice")];
        Edit[] Put(IEnumerable<StripScope> order) => [.. order.Select(s => new PutDefaultStrip(new(s, new() { Inserts = [] })))];

        var defaults = OneBar(Put(scopes)).Defaults;

        Assert.Equal(defaults, OneBar(Put(scopes.Reverse())).Defaults);
        Assert.Equal(defaults.Select(d => d.For.Weight).Order(), defaults.Select(d => d.For.Weight));
        Assert.Equal(["keys", "lead-voice"], defaults.Select(d => d.For.Role).OfType<string>());
    }

    [Fact]
    public void RemoveChannel_ABus_LetsItsFeedersFeedWhatItFed()
    {
        var template = OneBar(Bus("drums", "mix-bus"), Tone("tone", "drums")).With(new RemoveChannel(new("drums")));

        Assert.Equal(new ChannelId("mix-bus"), template.Channels[new ChannelId("tone")].Destination);
    }

    [Fact]
    public void RemoveChannel_AReturn_TakesTheSendsToItAway()
    {
        var template = OneBar(Return("echo", "mix-bus"), Tone("tone", "mix-bus"), new PutSend(new("tone"), new(new("echo"), new(-6))))
            .With(new RemoveChannel(new("echo")));

        Assert.Empty(template.Channels[new ChannelId("tone")].Sends);
    }

    [Fact]
    public void RemoveChannel_AKit_TakesItsSplitsWithIt()
    {
        var template = WithKit().With(new RemoveChannel(new("kit")));

        Assert.Equal(["main", "mix-bus"], template.Channels.Select(c => c.Id.Value));
    }

    [Fact]
    public void RemoveChannel_TheMain_IsRefused()
    {
        Assert.Equal("wrong-place", OneBar().RefusalOf(new RemoveChannel(EmptyStage.Main)).Code);
    }

    [Fact]
    public void RemoveInsert_ThatIsKeyed_TakesTheFeedsIntoItAway()
    {
        var template = OneBar(Trigger("pulse"), Bus("bass", "mix-bus", Comp with { Key = new(true) }),
            new PutFeed(new("pulse"), new(new("bass"), Comp.Id, new(0)))).With(new RemoveInsert(new("bass"), Comp.Id));

        Assert.Empty(template.Channels[new ChannelId("pulse")].Feeds);
    }

    [Theory]
    [InlineData(6.0, true)]
    [InlineData(6.1, false)]
    public void SetLevel_ReachesTheTopOfTheFaderAndNoFurther(double level, bool possible)
    {
        var result = new SetLevel(EmptyStage.MixBus, new(level)).ApplyTo(OneBar());

        Assert.Equal(possible, result is EditResult.Applied);
    }

    [Fact]
    public void SetLevel_ToSilence_IsAValueOfItsOwn()
    {
        var level = OneBar(new SetLevel(EmptyStage.MixBus, Decibels.Silence)).Channels[EmptyStage.MixBus].Level;

        Assert.True(level.IsSilence);
        Assert.Equal(0, level.Linear);
    }

    [Theory]
    [InlineData(ChannelKind.Trigger)]
    [InlineData(ChannelKind.Direct)]
    [InlineData(ChannelKind.Notes)]
    public void MoveChannel_OfAKindThatFeedsNoBus_IsRefusedInWords(ChannelKind kind)
    {
        var source = kind == ChannelKind.Trigger ? new InstrumentSource(InstrumentCatalogue.KeyTone) : null;
        var template = OneBar(new AddChannel(new() { Id = new("x"), Name = "Left alone", Kind = kind, Source = source, OutputPair = kind == ChannelKind.Direct ? 1 : null }));

        var refusal = template.RefusalOf(new MoveChannel(new("x"), EmptyStage.MixBus, null));

        Assert.Equal("wrong-place", refusal.Code);
        Assert.StartsWith("Left alone ", refusal.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void MoveChannel_BeforeAnother_StandsThere()
    {
        var template = OneBar(Bus("a", "mix-bus"), Bus("b", "mix-bus"), Bus("c", "mix-bus")).With(new MoveChannel(new("c"), EmptyStage.MixBus, new("a")));

        Assert.Equal(["main", "mix-bus", "c", "a", "b"], template.Channels.Select(c => c.Id.Value));
    }

    [Fact]
    public void SetSource_ToAKitWithFewerOutputs_IsRefusedWhileASplitTakesOneOfThem()
    {
        var template = WithKit();
        var source = (InstrumentSource)template.Channels[new ChannelId("kit")].Source!;
        var smaller = source.Kit!.Together() with { Outputs = source.Kit.Outputs.Take(2).ToSequence() };

        var refusal = template.RefusalOf(new SetSource(new("kit"), source with { Kit = smaller }));

        Assert.Equal("out-of-range", refusal.Code);
    }

    [Theory]
    [InlineData("threshold-db", -61)]
    [InlineData("ratio", 0.5)]
    [InlineData("threshold-db", double.NaN)]
    public void SetParameter_OutOfItsRange_IsRefusedWithTheRange(string parameter, double value)
    {
        var refusal = OneBar(Bus("b", "mix-bus", Comp)).RefusalOf(new SetParameter(new("b"), Comp.Id, parameter, value));

        var range = Assert.IsType<Refusal.OutOfRange>(refusal);
        Assert.True(range.Max > range.Min);
    }

    [Fact]
    public void SetParameter_ThatTheProcessorLacks_NamesIt()
    {
        var refusal = OneBar(Bus("b", "mix-bus", Comp)).RefusalOf(new SetParameter(new("b"), Comp.Id, "sparkle", 1));

        Assert.Contains("sparkle", refusal.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void PutFeed_IntoAnEqualiser_IsRefused()
    {
        var template = OneBar(Trigger("t"), Bus("b", "mix-bus", Insert("eq", ProcessorCatalogue.Equaliser)));

        Assert.Equal("wrong-place", template.RefusalOf(new PutFeed(new("t"), new(new("b"), new("eq"), new(0)))).Code);
    }

    [Fact]
    public void PutSend_FromATrigger_IsRefused_BecauseItIsNeverHeard()
    {
        var template = OneBar(Trigger("t"), Return("r", "mix-bus"));

        Assert.Equal("wrong-place", template.RefusalOf(new PutSend(new("t"), new(new("r"), new(0)))).Code);
    }

    [Fact]
    public void AddChannel_ASplitOfTheFirstOutput_IsRefused()
    {
        var template = WithKit();
        var split = template.Channels[new ChannelId("split")] with { Id = new("again"), Source = new OutputSource(new("kit"), 1) };

        Assert.Equal("wrong-place", template.RefusalOf(new AddChannel(split)).Code);
    }

    [Theory]
    [InlineData(19.9)]
    [InlineData(400.1)]
    [InlineData(double.NaN)]
    public void SetTimeline_WithATempoBeyond20To400_IsRefused(double tempo)
    {
        Assert.Equal("out-of-range", OneBar().RefusalOf(new SetTimeline(new(tempo, new(4, 4), [new("Song", 1)]))).Code);
    }

    [Fact]
    public void SetTimeline_WithTwoSectionsOfOneName_IsRefused()
    {
        Assert.Equal("doubled", OneBar().RefusalOf(new SetTimeline(new(100, new(4, 4), [new("Verse", 1), new("Verse", 2)]))).Code);
    }

    [Fact]
    public void Batch_WithARefusedEdit_SaysWhichOne()
    {
        var result = Assert.IsType<BatchResult.Refused>(Batch.Apply(OneBar(), [new SetMute(EmptyStage.Main, true), new SetPan(EmptyStage.Main, 2)]));

        Assert.Equal(1, result.EditIndex);
    }

    [Fact]
    public void Equality_IsByValue_ThroughEveryCollection()
    {
        var seed = 11;

        Assert.Equal(new RandomTemplates(seed).Grown(60), new RandomTemplates(seed).Grown(60));
        Assert.NotEqual(new RandomTemplates(seed).Grown(60), new RandomTemplates(seed).Grown(60).With(new RenameChannel(EmptyStage.Main, "Other")));
    }

    [Fact]
    public void SetStage_OutOfTheWings_BringsWhatItFeedsOnStage_AndWhatSteersItBehindTheCurtain()
    {
        const string Write = "write";
        Edit Rest(string id) => new SetStage(new(id), Write, StageState.InTheWings);
        var template = OneBar(Return("echo", "mix-bus"), Bus("keys", "mix-bus", Comp with { Key = new(true) }), Tone("t", "keys"), Trigger("pulse"), Tone("other", "mix-bus"),
            new PutFeed(new("pulse"), new(new("keys"), Comp.Id, new(0))), new PutSend(new("keys"), new(new("echo"), new(-6))),
            Rest("echo"), Rest("keys"), Rest("t"), Rest("pulse"), Rest("other"));

        var staged = template.With(new SetStage(new("t"), Write, StageState.OnStage));

        StageState State(string id) => staged.Channels[new ChannelId(id)].StageIn(Write);
        Assert.Equal((StageState.OnStage, StageState.OnStage, StageState.OnStage), (State("t"), State("keys"), State("echo")));
        Assert.Equal((StageState.BehindTheCurtain, StageState.InTheWings), (State("pulse"), State("other")));
    }

    [Fact]
    public void SetActs_WithoutOne_ForgetsWhatWasSaidForIt_AndUndoBringsItBack()
    {
        var before = OneBar(Bus("b", "mix-bus", Comp with { ParkedIn = ["record"] }), new SetStage(new("b"), "record", StageState.InTheWings));
        var applied = (BatchResult.Applied)Batch.Apply(before, [new SetActs([new("write", "Write"), new("buses", "Buses only")])]);

        Assert.Empty(applied.Template.Channels[new ChannelId("b")].Stages);
        Assert.Empty(applied.Template.Channels[new ChannelId("b")].Inserts[0].ParkedIn);
        Assert.Equal(before, ((BatchResult.Applied)Batch.Apply(applied.Template, applied.Inverse)).Template);
    }

    [Theory]
    [InlineData("missing")]
    [InlineData("doubled")]
    public void SetActs_ToNoneOrToTwoOfOneId_IsRefused(string fault)
    {
        Sequence<Act> acts = fault == "missing" ? [] : [new("write", "Write"), new("write", "Write again")];

        Assert.IsType<BatchResult.Refused>(Batch.Apply(OneBar(), [new SetActs(acts)]));
    }

    private static Template WithKit() => OneBar(
        new AddChannel(new()
        {
            Id = new("kit"),
            Name = "Kit",
            Kind = ChannelKind.Instrument,
            Destination = EmptyStage.MixBus,
            Source = new InstrumentSource(InstrumentCatalogue.Tidewater, InstrumentCatalogue.Find(InstrumentCatalogue.Tidewater)!.Kit),
        }),
        new AddChannel(new() { Id = new("split"), Name = "Split", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), 5) }));
}
