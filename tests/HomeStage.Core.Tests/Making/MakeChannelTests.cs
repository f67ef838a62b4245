using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Colours;
using HomeStage.Core.Editing;
using HomeStage.Core.Roles;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Making;

public class MakeChannelTests
{
    private static readonly Template Empty = OneBar();

    [Theory]
    [InlineData("Sub bass", InstrumentCatalogue.Undertow)]
    [InlineData("Upright piano", InstrumentCatalogue.Bellbuoy)]
    [InlineData("Hammered dulcimer pad", InstrumentCatalogue.Gullwing)]
    [InlineData("Nylon gtr", InstrumentCatalogue.Driftwood)]
    [InlineData("Chamber organ", InstrumentCatalogue.Reedbox)]
    [InlineData("Plate piano", InstrumentCatalogue.Bellbuoy)]
    [InlineData("Spring guitar", InstrumentCatalogue.Driftwood)]
    [InlineData("Drum kit", InstrumentCatalogue.Breakwater)]
    [InlineData("Congas", InstrumentCatalogue.Breakwater)]
    [InlineData("Riser FX", InstrumentCatalogue.Squall)]
    [InlineData("Something else", InstrumentCatalogue.Bellbuoy)]
    public void AnInstrument_OfWhichOnlyTheNameIsSaid_IsTheOneThatFitsIt(string name, string instrument)
    {
        var made = EmptyStage.Create("Any").With(new MakeChannel(new(ChannelKind.Instrument) { Name = name })).Channels[^1];

        Assert.Equal(instrument, Assert.IsType<InstrumentSource>(made.Source).Instrument);
    }

    [Property(MaxTest = 200)]
    public void Make_AnyKindOfWishOnAnyTemplate_GivesAnIdThatIsNew_AndIsTakenBackExactly(int seed)
    {
        var template = new RandomTemplates(seed).Grown(40);
        foreach (var kind in Enum.GetValues<ChannelKind>().Where(k => k is not (ChannelKind.Main or ChannelKind.Split)))
        {
            var made = Assert.IsType<EditResult.Applied>(new MakeChannel(new(kind)).ApplyTo(template));

            Assert.Single(made.Template.Channels, c => !template.Channels.Contains(c.Id));
            Assert.Equal(template, Assert.IsType<EditResult.Applied>(made.Inverse.ApplyTo(made.Template)).Template);
        }
    }

    [Fact]
    public void Make_WithNothingSaid_FeedsTheMixBus_AndNamesCountUp()
    {
        var template = Empty.With(new MakeChannel(new(ChannelKind.Bus)), new MakeChannel(new(ChannelKind.Bus)), new MakeChannel(new(ChannelKind.Audio)), new MakeChannel(new(ChannelKind.Audio)));

        var made = template.Channels.Skip(2).ToList();
        Assert.Equal(["Bus", "Bus 2", "Input 1", "Input 2"], made.Select(c => c.Name));
        Assert.Equal(["bus", "bus-2", "input-1", "input-2"], made.Select(c => c.Id.Value));
        Assert.All(made, c => Assert.Equal(EmptyStage.MixBus, c.Destination));
        Assert.Equal([new InputSource(1), new InputSource(2)], made.Select(c => c.Source).OfType<InputSource>());
    }

    /// <summary>Common practice: a family is found in the same colour everywhere; what stands within it takes its colour from it.</summary>
    [Fact]
    public void ABus_HasTheHueOfItsFamily_OrOneThatIsFarFromOthers_UnlessABusAboveItHasOne()
    {
        var stage = EmptyStage.Create("Any").With(
            new MakeChannel(new(ChannelKind.Bus) { Name = "Voices" }), new MakeChannel(new(ChannelKind.Bus) { Name = "Harmonies", Under = new("voices") }),
            new MakeChannel(new(ChannelKind.Bus) { Name = "Zzyx" }), new MakeChannel(new(ChannelKind.Audio) { Name = "Ilka" }));
        stage = stage.With(new BusAround([new("ilka")], new("around"), "Qqat"), new MakeChannel(new(ChannelKind.Audio) { Name = "Snare" }), new MakeChannel(new(ChannelKind.Audio) { Name = "Kick" }))
            .With(new BusAround([new("snare"), new("kick")], new("struck"), "New bus"));

        double? Hue(string id) => stage.Channels[new ChannelId(id)].HueDegrees;
        Assert.Equal(FamilyHues.Of("voices"), Hue("voices"));
        Assert.Null(Hue("harmonies"));
        Assert.Null(Hue("ilka"));
        Assert.All([Hue("zzyx")!.Value, Hue("around")!.Value], hue => Assert.Contains(Palette.Swatches(), s => s.Degrees == hue));
        Assert.Equal(3, new[] { Hue("voices"), Hue("zzyx"), Hue("around") }.Distinct().Count());
        Assert.Equal(FamilyHues.Of("drums"), Hue("struck"));
        Assert.Null(stage.Channels[EmptyStage.MixBus].HueDegrees);
    }

    /// <summary>Common practice: a return carries an effect alone; what its name does not tell is a room.</summary>
    [Theory]
    [InlineData("Tithe barn", "reverb")]
    [InlineData("Gully echo", "delay")]
    [InlineData("Stone plate", "reverb")]
    public void AReturn_HasItsEffect_AlsoWhereItsNameTellsNothing(string name, string effect)
    {
        var made = NewStage.Create("Any", []).With(new MakeChannel(new(ChannelKind.Return) { Name = name })).Channels[^1];

        Assert.Equal((effect, effect, (string?)null), (made.Inserts[0].Processor, ChannelRole.Of(made).Role, made.Role));
    }

    [Fact]
    public void AReturn_IsSentTo_ByWhoFollowsADefaultThatSendsToEvery_AndByNoOther()
    {
        var stage = NewStage.Create("Any", []).With(
            new MakeChannel(new(ChannelKind.Audio) { Name = "First lead vox" }), new MakeChannel(new(ChannelKind.Audio) { Name = "Second lead vox" }));
        var altered = stage.Channels[^1];
        stage = stage.With(new RemoveInsert(altered.Id, altered.Inserts[0].Id));

        var after = stage.With(new MakeChannel(new(ChannelKind.Return) { Name = "Boiler room" }), new MakeChannel(new(ChannelKind.Return) { Name = "Slap" }));

        Assert.Equal([("boiler-room", false), ("slap", false)], after.Channels[stage.Channels[^2].Id].Sends.Select(s => (s.To.Value, s.Open)));
        Assert.Empty(after.Channels[altered.Id].Sends);
    }

    [Theory]
    [InlineData("Åse’s grüne Gitarre", "ase-s-grune-gitarre")]
    [InlineData("  Kick / In  ", "kick-in")]
    [InlineData("底太鼓", "channel")]
    [InlineData("Main", "main-2")]
    public void Make_OfAName_HasAnIdThatPeopleKnowItBy(string name, string id)
    {
        Assert.Contains(new ChannelId(id), Empty.With(new MakeChannel(new(ChannelKind.Bus) { Name = name })).Channels.Select(c => c.Id));
    }

    [Fact]
    public void Make_Splits_TakesTheOutputsThatNobodyTakes_WithTheirNamesAndWidths()
    {
        var template = Empty.With(new MakeChannel(new(ChannelKind.Instrument) { Instrument = InstrumentCatalogue.Breakwater }));
        var player = template.Channels.Single(c => c.Source is InstrumentSource);
        var kit = ((InstrumentSource)player.Source!).Kit!;

        Assert.All(kit.Lines, l => Assert.Equal(1, l.Output));

        template = template.With(new MakeChannel(new(ChannelKind.Split) { SplitOf = player.Id }), new MakeChannel(new(ChannelKind.Split) { SplitOf = player.Id }));

        var splits = template.Channels.Where(c => c.Kind == ChannelKind.Split).ToList();
        Assert.Equal([2, 3], splits.Select(c => ((OutputSource)c.Source!).Output));
        Assert.Equal([(kit.Outputs[1].Name, kit.Outputs[1].Format), (kit.Outputs[2].Name, kit.Outputs[2].Format)], splits.Select(c => (c.Name, c.Format)));
    }

    [Fact]
    public void Make_WhatCannotBe_IsRefusedInASentence()
    {
        Assert.Equal("doubled", Empty.RefusalOf(new MakeChannel(new(ChannelKind.Main))).Code);
        Assert.Equal("missing", Empty.RefusalOf(new MakeChannel(new(ChannelKind.Instrument) { Instrument = "nobodys" })).Code);
        Assert.Equal("unknown-channel", Empty.RefusalOf(new MakeChannel(new(ChannelKind.Bus), new ChannelId("nowhere"))).Code);
        Assert.Equal("unknown-channel", Empty.RefusalOf(new MakeChannel(new(ChannelKind.Bus) { Under = new("nowhere") })).Code);
        Assert.Contains("output", Empty.RefusalOf(new MakeChannel(new(ChannelKind.Split))).Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void MakeInsert_Twice_GivesBothIdsOfTheirOwn()
    {
        var strip = Empty.With(new MakeInsert(EmptyStage.MixBus, ProcessorCatalogue.Compressor), new MakeInsert(EmptyStage.MixBus, ProcessorCatalogue.Compressor, 0))
            .Channels[EmptyStage.MixBus].Inserts;

        Assert.Equal(["compressor-2", "compressor"], strip.Select(i => i.Id.Value));
    }

    [Fact]
    public void TakeInput_OfTwoInputsOnAMonoChannel_WidensIt_AndIsTakenBackExactly()
    {
        var template = Empty.With(new MakeChannel(new(ChannelKind.Audio) { Name = "Pair" }));
        var id = new ChannelId("pair");
        Assert.Equal(new Refusal.InputWidth(id, "Pair", IsPair: true), template.RefusalOf(new SetSource(id, new InputSource(3, 4))));
        Assert.Equal(new Refusal.InputWidth(id, "Pair", IsPair: false), template.RefusalOf(new SetFormat(id, ChannelFormat.Stereo)));

        var both = Assert.IsType<EditResult.Applied>(new TakeInput(id, new(3, 4)).ApplyTo(template));

        Assert.Equal((ChannelFormat.Stereo, new InputSource(3, 4)), (both.Template.Channels[id].Format, both.Template.Channels[id].Source));
        Assert.Equal(template, Assert.IsType<EditResult.Applied>(both.Inverse.ApplyTo(both.Template)).Template);
    }

    [Fact]
    public void MendedBatch_OfAWidthThatDoesNotFit_TakesInputsThatDo_AndIsTakenBackExactly()
    {
        var id = new ChannelId("pair");
        var template = Empty.With(new MakeChannel(new(ChannelKind.Audio) { Name = "Pair" }), new TakeInput(id, new(3, 4)));
        Sequence<Edit> narrow = [new SetLevel(id, new(-3)), new SetFormat(id, ChannelFormat.Mono)];

        var one = Assert.IsType<MendedBatch>(MendedBatch.Of(template, narrow));

        Assert.Equal([new SetLevel(id, new(-3)), new TakeInput(id, new(3))], one.Edits);
        Assert.Equal("Pair takes input 3 alone", one.Name);
        var again = Assert.IsType<MendedBatch>(MendedBatch.Of(template.With([.. one.Edits]), [new SetFormat(id, ChannelFormat.Stereo)]));
        Assert.Equal([new TakeInput(id, new(3, 4))], again.Edits);
        Assert.Equal([new TakeInput(id, new(7))], MendedBatch.Of(template, [new SetSource(id, new InputSource(7))])!.Edits);
        Assert.Null(MendedBatch.Of(template, [new SetLevel(id, new(60))]));
        Assert.Null(MendedBatch.Of(template, [new SetLevel(id, new(-60))]));
    }
}
