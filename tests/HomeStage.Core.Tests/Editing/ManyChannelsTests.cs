using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

public class ManyChannelsTests
{
    private static readonly Insert Comp = Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) };

    [Theory]
    [InlineData("Choir #", "Choir 4", "Choir 5")]
    [InlineData("# of the choir", "4 of the choir", "5 of the choir")]
    [InlineData("Choir", "Choir 4", "Choir 5")]
    public void NameChannels_NumbersThemInTheOrderGiven(string pattern, string first, string second)
    {
        var template = OneBar(Bus("a", "mix-bus"), Bus("b", "mix-bus")).With(new NameChannels([new("b"), new("a")], pattern, 4));

        Assert.Equal((first, second), (Named(template, "b"), Named(template, "a")));
    }

    [Fact]
    public void BusAround_Siblings_FeedsWhatTheyFed_AndStandsWhereTheyStood()
    {
        var template = OneBar(Bus("x", "mix-bus"), Tone("a", "mix-bus"), Tone("b", "mix-bus")).With(new BusAround([new("a"), new("b")], new("pair"), "Pair"));

        Assert.Equal(["main", "mix-bus", "x", "pair", "a", "b"], template.Channels.Select(c => c.Id.Value));
        Assert.Equal(["mix-bus", "pair", "pair"], new[] { "pair", "a", "b" }.Select(id => To(template, id)));
    }

    [Fact]
    public void BusAround_ChannelsOfTwoFamilies_FeedsTheFirstBusThatBothLeadTo()
    {
        var template = OneBar(Bus("band", "mix-bus"), Bus("low", "band"), Bus("high", "band"), Tone("a", "low"), Tone("b", "high"))
            .With(new BusAround([new("a"), new("b")], new("pair"), "Pair"));

        Assert.Equal("band", To(template, "pair"));
    }

    [Fact]
    public void BusAround_ABusAndItsFeeder_LeavesTheFeederUnderItsBus()
    {
        var template = OneBar(Bus("low", "mix-bus"), Tone("a", "low")).With(new BusAround([new("low"), new("a")], new("around"), "Around"));

        Assert.Equal(("around", "low"), (To(template, "low"), To(template, "a")));
    }

    [Fact]
    public void BusAround_ATrigger_IsRefusedByItsName()
    {
        Assert.Contains("Trigger t", OneBar(Trigger("t")).RefusalOf(new BusAround([new("t")], new("around"), "Around")).Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void DuplicateChannels_WithFeeders_CopiesABusWithAllThatStandsUnderIt_WhichFeedsTheCopy()
    {
        var template = OneBar(Bus("choir", "mix-bus"), Bus("altos", "choir"), Tone("first", "altos"), Tone("second", "choir"), Tone("else", "mix-bus"));

        var whole = template.With(new DuplicateChannels([new("choir")], WithFeeders: true));
        var alone = template.With(new DuplicateChannels([new("choir")]));

        Assert.Equal(["altos-2", "choir-2", "first-2", "second-2"], whole.Channels.Select(c => c.Id.Value).Except(template.Channels.Select(c => c.Id.Value)).Order());
        Assert.Equal(["choir-2", "altos-2", "choir-2"], new[] { "altos-2", "first-2", "second-2" }.Select(id => whole.Channels[new ChannelId(id)].Destination!.Value.Value));
        Assert.Equal(["choir-2"], alone.Channels.Select(c => c.Id.Value).Except(template.Channels.Select(c => c.Id.Value)));
    }

    [Fact]
    public void AddSends_LeavesThoseThatAreThere_AndTheReturnItself()
    {
        var closed = new Send(new("hall"), new(-3), TapPoint.Pre, Open: false);
        var template = OneBar(Return("hall", "mix-bus"), Tone("a", "mix-bus"), Tone("b", "mix-bus"), new PutSend(new("a"), closed));

        var after = template.With(new AddSends([new("a"), new("b"), new("hall"), EmptyStage.Main], new(new("hall"), new(-15))));

        Assert.Equal([closed], after.Channels[new ChannelId("a")].Sends);
        Assert.Equal([new Send(new("hall"), new(-15))], after.Channels[new ChannelId("b")].Sends);
        Assert.Equal([[], []], new[] { after.Channels[new ChannelId("hall")].Sends, after.Main.Sends });
    }

    [Fact]
    public void AddSends_ThatWouldCloseALoop_IsRefused()
    {
        var template = OneBar(Return("hall", "mix-bus"), Return("slap", "mix-bus"), new PutSend(new("hall"), new(new("slap"), new(0))));

        Assert.Equal("closes-loop", template.RefusalOf(new AddSends([new("slap")], new(new("hall"), new(0)))).Code);
    }

    [Fact]
    public void TakeInputs_CountsUp_TwoToAStereoChannel_AndLeavesWhatIsHeard()
    {
        static AddChannel Voice(string id, ChannelFormat format, bool heard) => new(new()
        {
            Id = new(id),
            Name = id,
            Kind = ChannelKind.Audio,
            Format = format,
            Destination = EmptyStage.MixBus,
            Source = new InputSource(9, format == ChannelFormat.Stereo ? 10 : null, Monitored: heard, Armed: heard),
        });
        var template = OneBar(Voice("one", ChannelFormat.Mono, true), Voice("pair", ChannelFormat.Stereo, false), Tone("tone", "mix-bus"), Voice("last", ChannelFormat.Mono, false));

        var after = template.With(new TakeInputs([new("one"), new("tone"), new("pair"), new("last")], 3));

        Assert.Equal(
            [new InputSource(3, null, true, true), new InputSource(4, 5), new InputSource(6)],
            new[] { "one", "pair", "last" }.Select(id => (InputSource)after.Channels[new ChannelId(id)].Source!));
        Assert.Equal(template.Channels[new ChannelId("tone")], after.Channels[new ChannelId("tone")]);
        Assert.Equal("out-of-range", template.RefusalOf(new TakeInputs([new("pair")], 128)).Code);
    }

    /// <summary>What goes straight to an output may play an instrument; it takes no input then.</summary>
    [Fact]
    public void TakeInputs_PassesOverWhatPlaysAnInstrument()
    {
        var template = OneBar(new AddChannel(new() { Id = new("click"), Name = "Click", Kind = ChannelKind.Direct, OutputPair = 2, Source = new InstrumentSource(InstrumentCatalogue.CountInTick) }));

        Assert.Equal(template, template.With(new TakeInputs([new("click")], 3)));
    }

    [Fact]
    public void DuplicateChannels_CopiesStripSendsAndWhatFeedsItsKey()
    {
        var template = OneBar(Return("echo", "mix-bus"), Bus("keys", "mix-bus", Comp), Trigger("pulse"),
                new PutFeed(new("pulse"), new(new("keys"), Comp.Id, new(-3))), new PutSend(new("keys"), new(new("echo"), new(-6))))
            .With(new DuplicateChannels([new("keys")]));

        var copy = template.Channels[new ChannelId("keys-2")];
        Assert.Equal(("Bus keys 2", "mix-bus"), (copy.Name, copy.Destination!.Value.Value));
        Assert.Equal(template.Channels[new ChannelId("keys")].Sends, copy.Sends);
        Assert.Equal(["keys", "keys-2"], template.Channels[new ChannelId("pulse")].Feeds.Select(f => f.Channel.Value));
    }

    [Theory]
    [InlineData("Wren 1,Wren 2,Tuba", "Wren 1", "Wren 1,Wren 2,Wren 3,Tuba")]
    [InlineData("Wren,Wren 2,Wren 4,Tuba", "Wren", "Wren,Wren 2,Wren 3,Wren 4,Tuba")]
    [InlineData("Wren 1,Wren 2,Tuba", "Wren 1,Wren 2", "Wren 1,Wren 2,Wren 3,Wren 4,Tuba")]
    [InlineData("Wren 1,Tuba,Wren 2", "Wren 1", "Wren 1,Wren 3,Tuba,Wren 2")]
    [InlineData("Wren,Tuba", "Wren,Tuba", "Wren,Tuba,Wren 2,Tuba 2")]
    public void DuplicateChannels_AreNumberedInOrder(string names, string doubled, string after)
    {
        var template = OneBar([.. names.Split(',').Select(n => Tone(IdOf(n).Value, "mix-bus")), .. names.Split(',').Select(n => new RenameChannel(IdOf(n), n))]);

        var order = template.With(new DuplicateChannels([.. doubled.Split(',').Select(IdOf)])).Channels.Select(c => c.Name);

        Assert.Equal(after.Split(','), order.Where(n => n.StartsWith("Wren", StringComparison.Ordinal) || n.StartsWith("Tuba", StringComparison.Ordinal)));

        static ChannelId IdOf(string name) => new($"is-{name.Replace(' ', '-').ToLowerInvariant()}");
    }

    [Fact]
    public void DuplicateChannels_AKit_TakesItsSplitsAlong_AndTheyTakeTheCopysOutputs()
    {
        var kit = InstrumentCatalogue.Find(InstrumentCatalogue.Tidewater)!.Kit;
        var template = OneBar(
                new AddChannel(new() { Id = new("kit"), Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, kit) }),
                new AddChannel(new() { Id = new("bells"), Name = "Bells", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), 5) }))
            .With(new DuplicateChannels([new("kit")]));

        Assert.Equal(new OutputSource(new("kit-2"), 5), template.Channels[new ChannelId("bells-2")].Source);
        Assert.Equal(["main", "mix-bus", "kit", "bells", "kit-2", "bells-2"], template.Channels.Select(c => c.Id.Value));
    }

    [Theory]
    [InlineData("Choir 2", "Choir 3")]
    [InlineData("Bass", "Bass 2")]
    [InlineData("Tom1", "Tom2")]
    [InlineData("7", "8")]
    public void NumberingNext_GoesOnFromTheNumberInTheName(string name, string next)
    {
        Assert.Equal(next, Numbering.Next(name, n => n == name));
    }

    [Fact]
    public void TakeSpare_NamesTheFirstThatWaits_AndBringsItOnStageWithWhatItFeeds()
    {
        var template = OneBar(Bus("voices", "mix-bus"), Spare("s1", "voices"), Spare("s2", "voices"), new SetStage(new("voices"), InMix, StageState.InTheWings))
            .With(new TakeSpare(new("voices"), "Second verse", InMix));

        var taken = template.Channels[new ChannelId("s1")];
        Assert.Equal(("Second verse", false, StageState.OnStage, StageState.OnStage), (taken.Name, taken.Spare, taken.StageIn(InMix), taken.StageIn("write")));
        Assert.Equal(StageState.OnStage, template.Channels[new ChannelId("voices")].StageIn(InMix));
        Assert.True(template.Channels[new ChannelId("s2")].Spare);
    }

    [Theory]
    [InlineData("Spare voice", "Voice")]
    [InlineData("spare lead voice 3", "Lead voice 3")]
    [InlineData("Spare", "Part")]
    [InlineData("Spare 2", "Part")]
    [InlineData("Oona high voice", "Oona high voice")]
    [InlineData("Spare tap", "Tap 2")]
    public void TakeSpare_WithoutAName_KeepsTheOneThatItWaitedWith(string waited, string name)
    {
        var template = OneBar(Bus("voices", "mix-bus"), Spare("s1", "voices"), new RenameChannel(new("s1"), waited), Tone("tap", "mix-bus"), new RenameChannel(new("tap"), "Tap"))
            .With(new TakeSpare(new("voices"), null, InMix));

        Assert.Equal((name, false), (template.Channels[new ChannelId("s1")].Name, template.Channels[new ChannelId("s1")].Spare));
    }

    [Fact]
    public void TakeSpare_WhereNoneIsLeft_SaysSoByTheBussName()
    {
        Assert.Contains("Bus voices", OneBar(Bus("voices", "mix-bus")).RefusalOf(new TakeSpare(new("voices"), "Third", InMix)).Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void TurnInto_KeepsWhatFits_AndLeavesTheRestBehind()
    {
        var comp = new Insert(new("comp"), ProcessorCatalogue.Compressor);
        var before = OneBar(Tone("organ", "mix-bus", ChannelFormat.Mono, comp)).With(
            new SetLevel(new("organ"), new(-4)), new SetPan(new("organ"), 0.3), new SetNote(new("organ"), "Left hand"), new SetHue(new("organ"), 40),
            new PutShape(new("organ"), new(new LevelTarget(), "song", [new(0, -6), new(1, 0)])),
            new PutShape(new("organ"), new(new InstrumentTarget("level-db"), "song", [new(0, -6), new(1, 0)])));
        var sound = before.With(new TurnInto(new("organ"), ChannelKind.Audio)).Channels[new ChannelId("organ")];

        var was = before.Channels[new ChannelId("organ")];
        Assert.Equal(was with { Kind = ChannelKind.Audio, Source = null, Patterns = [], Shapes = [was.Shapes.Single(s => s.Target is LevelTarget)] }, sound);

        var again = before.With(new TurnInto(new("organ"), ChannelKind.Audio), new TurnInto(new("organ"), ChannelKind.Instrument, InstrumentCatalogue.Reedbox)).Channels[new ChannelId("organ")];
        Assert.Equal(sound with { Kind = ChannelKind.Instrument, Source = new InstrumentSource(InstrumentCatalogue.Reedbox) }, again);
    }

    [Fact]
    public void TurnInto_IsRefused_WhereOthersLeanOnIt()
    {
        var printed = OneBar(Tone("t", "mix-bus")).With(new AddPrintTwin(new("t")));

        Assert.Contains("Tone t", Assert.IsType<EditResult.Refused>(new TurnInto(new("t-print"), ChannelKind.Instrument).ApplyTo(printed)).Why.Sentence, StringComparison.Ordinal);
        Assert.IsType<EditResult.Refused>(new TurnInto(EmptyStage.MixBus, ChannelKind.Audio).ApplyTo(printed));
        Assert.IsType<EditResult.Refused>(new TurnInto(new("t"), ChannelKind.Bus).ApplyTo(printed));
        var layered = printed.With(Tone("u", "mix-bus"), new SetNoteInput(new("u"), new() { Layers = [new("t")] }));
        Assert.IsType<EditResult.Refused>(new TurnInto(new("t"), ChannelKind.Audio).ApplyTo(layered));
        // What only lends its sound may turn; its print channel goes on recording it.
        Assert.Equal(ChannelKind.Audio, printed.With(new TurnInto(new("t"), ChannelKind.Audio)).Channels[new ChannelId("t")].Kind);
    }

    /// <summary>A trigger, or what goes around the main, leads to no sum; its print would lead nowhere.</summary>
    [Fact]
    public void AddPrintTwin_OfWhatFeedsNoSum_IsRefused()
    {
        Assert.IsType<Refusal.WrongPlace>(OneBar(Trigger("pulse")).RefusalOf(new AddPrintTwin(new("pulse"))));
    }

    [Fact]
    public void AddPrintTwin_RecordsTheInstrument_AndWaitsInTheWings()
    {
        var template = OneBar(Tone("t", "mix-bus")).With(new AddPrintTwin(new("t")));

        var twin = template.Channels[template.Channels[new ChannelId("t")].PrintTwin!.Value];
        Assert.Equal(new InternalSource(new("t"), TapPoint.Pre), twin.Source);
        Assert.All(template.Acts, a => Assert.Equal(StageState.InTheWings, twin.StageIn(a.Id)));
    }

    private static Edit Spare(string id, string under) => new AddChannel(new()
    {
        Id = new(id),
        Name = $"Spare {id}",
        Kind = ChannelKind.Audio,
        Destination = new(under),
        Spare = true,
        Stages = Map<StageState>.From(EmptyStage.Acts.Select(a => KeyValuePair.Create(a.Id, StageState.InTheWings))),
    });

    private static string Named(Template template, string id) => template.Channels[new ChannelId(id)].Name;

    private static string To(Template template, string id) => template.Channels[new ChannelId(id)].Destination!.Value.Value;
}
