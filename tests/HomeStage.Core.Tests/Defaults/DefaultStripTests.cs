using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Defaults;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Core.Tests.Soundcheck;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Defaults;

/// <summary>What new channels get by themselves.</summary>
public class DefaultStripTests
{
    private static readonly Template House = EmptyStage.Create("House") with { Defaults = HouseStrips.All };

    [Fact]
    public void ASinger_IsReadyToBeRecorded()
    {
        var template = House.With(new MakeChannel(new(ChannelKind.Return) { Name = "Long hall" }), new MakeChannel(new(ChannelKind.Return) { Name = "Slap echo" }), Made(ChannelKind.Audio, "Ada lead vox"));

        var singer = template.Channels.Single(c => c.Name == "Ada lead vox");

        Assert.Equal([ProcessorCatalogue.Equaliser, ProcessorCatalogue.Compressor, ProcessorCatalogue.PitchCorrection, ProcessorCatalogue.Gain], singer.Inserts.Select(i => i.Processor));
        Assert.True(singer.Inserts[^1].KeptForAutomation);
        Assert.False(singer.Inserts[2].IsLiveIn(template, InMix));
        Assert.True(singer.Inserts[2].IsLiveIn(template.With(new SetMusicalKey(new(2, false))), InMix));
        Assert.Equal(new InputSource(1, Monitored: true, Armed: true), singer.Source);
        Assert.Equal([("long-hall", false), ("slap-echo", false)], singer.Sends.Select(s => (s.To.Value, s.Open)));
    }

    /// <summary>What the house gives by itself is nothing that its own soundcheck warns of, also once there is a key.</summary>
    [Theory]
    [InlineData(ChannelKind.Audio, "Marit lead vox")]
    [InlineData(ChannelKind.Audio, "Acoustic guitar")]
    [InlineData(ChannelKind.Instrument, "Sub bass")]
    [InlineData(ChannelKind.Return, "Chapel reverb")]
    [InlineData(ChannelKind.Bus, "Drum bus")]
    public void WhatTheHouseGives_IsNeverWarnedOf(ChannelKind kind, string name)
    {
        var bare = House.With(new SetMusicalKey(new(2, false)));
        var dressed = bare.With(new MakeChannel(new(kind) { Name = name }));
        bare = bare.With(new MakeChannel(new(kind) { Name = name, Bare = true }));

        Assert.All(dressed.Acts, act => Assert.Empty(Warnings(dressed, act.Id).Except(Warnings(bare, act.Id))));

        static IEnumerable<string> Warnings(Template template, string act) =>
            Report.Of(template, act, Surroundings.Whole with { Studio = StudioFaults.Quay }).Open.Where(f => f.Severity is Severity.Warning or Severity.Blocker).Select(f => f.Key);
    }

    [Theory]
    [InlineData("Cathedral reverb", ProcessorCatalogue.Reverb)]
    [InlineData("Ping pong delay", ProcessorCatalogue.Delay)]
    public void AReturn_IsWetAndCutByItself(string name, string processor)
    {
        var made = House.With(Made(ChannelKind.Return, name)).Channels.Single(c => c.Name == name);

        Assert.Equal([processor, ProcessorCatalogue.Equaliser], made.Inserts.Select(i => i.Processor));
        Assert.Equal((1, 1), (made.Inserts[1].Settings["low-cut"], made.Inserts[1].Settings["high-cut"]));
    }

    [Fact]
    public void ADefault_ThatSaysMore_GoesBeforeOneThatSaysLess_AndWhatItLeavesUnsaidIsSaidByTheOther()
    {
        var template = EmptyStage.Create("Mine").With(
            new PutDefaultStrip(new(new(ChannelKind.Audio), new() { Inserts = [Insert("a", "gate")], Input = new(true, false) })),
            new PutDefaultStrip(new(new(null, Family: "voices"), new() { Inserts = [Insert("a", "saturator")] })),
            new PutDefaultStrip(new(new(ChannelKind.Audio, Role: "lead-voice"), new() { Sends = [] })),
            Made(ChannelKind.Audio, "Lead vocal"), Made(ChannelKind.Audio, "Harmony vox 2"), Made(ChannelKind.Audio, "Field recording"), Made(ChannelKind.Bus, "Voices"));

        string Only(string name) => template.Channels.Single(c => c.Name == name).Inserts.Single().Processor;

        Assert.Equal(["saturator", "saturator", "gate", "saturator"], new[] { "Lead vocal", "Harmony vox 2", "Field recording", "Voices" }.Select(Only));
        Assert.All(template.Channels.Where(c => c.Kind == ChannelKind.Audio), c => Assert.True(((InputSource)c.Source!).Monitored));
    }

    [Fact]
    public void ASend_ThatWouldCloseALoop_IsLeftOut()
    {
        var template = EmptyStage.Create("Loops").With(
            Return("hall", "mix-bus"), Return("spring", "main"),
            new PutDefaultStrip(new(new(ChannelKind.Bus), new() { Sends = [new("", new(-6))] })));

        // The hall leads into the mix bus; a bus under it leads there, and nowhere back.
        var bus = template.With(Made(ChannelKind.Bus, "Choir")).Channels.Single(c => c.Name == "Choir");
        Assert.Equal(["hall", "spring"], bus.Sends.Select(s => s.To.Value));

        var mix = template.With(new LayStrip([EmptyStage.MixBus], template.Defaults[0].Strip)).Channels[EmptyStage.MixBus];
        Assert.Equal(["spring"], mix.Sends.Select(s => s.To.Value));
    }

    [Fact]
    public void LayingAStrip_KeepsWhatFeedsAndMovesTheSameProcessor_AndLosesNoOpenSend()
    {
        var template = OneBar(
            Return("hall", "mix-bus"), Trigger("pulse"),
            Bus("keys", "mix-bus", Insert("mine", ProcessorCatalogue.Compressor, ("ratio", 9)), Insert("grit", ProcessorCatalogue.Saturator)),
            new SetKey(new("keys"), new("mine"), new(true, 90)),
            new PutFeed(new("pulse"), new(new("keys"), new("mine"), new(-3), TapPoint.Pre)),
            new PutSend(new("keys"), new(new("hall"), new(-4))));
        var strip = new Strip { Inserts = [Insert("x", ProcessorCatalogue.Equaliser), Insert("y", ProcessorCatalogue.Compressor, ("ratio", 2))], Sends = [new("Return hall", new(-12))] };

        var laid = template.With(new LayStrip([new("keys")], strip));

        var keys = laid.Channels[new ChannelId("keys")];
        Assert.Equal([ProcessorCatalogue.Equaliser, ProcessorCatalogue.Compressor], keys.Inserts.Select(i => i.Processor));
        Assert.Equal(("mine", 2.0, true), (keys.Inserts[1].Id.Value, keys.Inserts[1].Settings["ratio"], keys.Inserts[1].Key!.On));
        Assert.Single(laid.Channels[new ChannelId("pulse")].Feeds);
        Assert.Equal(new Send(new("hall"), new(-4)), Assert.Single(keys.Sends));
    }

    [Fact]
    public void LayingAStrip_WithoutAnInsert_TakesTheFeedsIntoItAway_AndUndoBringsThemBack()
    {
        var template = OneBar(
            Trigger("pulse"), Bus("keys", "mix-bus", Insert("mine", ProcessorCatalogue.Compressor)), new SetKey(new("keys"), new("mine"), new(true)),
            new PutFeed(new("pulse"), new(new("keys"), new("mine"), new(-3), TapPoint.Pre)));

        var laid = Assert.IsType<BatchResult.Applied>(Batch.Apply(template, [new LayStrip([new("keys")], new() { Inserts = [] })]));

        Assert.Empty(laid.Template.Channels[new ChannelId("pulse")].Feeds);
        Assert.Equal(template, laid.Template.With([.. laid.Inverse]));
    }

    [Property(MaxTest = 60)]
    public void AChannelThatIsMade_FollowsItsDefault_AndOneThatIsTurnedComesBack(int seed)
    {
        var chance = new RandomTemplates(seed);
        var template = chance.Grown(60) with { Defaults = HouseStrips.All };
        var names = new[] { "Ld vox", "Bass DI", "Kit", "Hall", "Echo", "Organ", "Gtr L", "Beat", "Nothing in particular" };
        var random = new Random(seed);
        var kind = new[] { ChannelKind.Audio, ChannelKind.Instrument, ChannelKind.Bus, ChannelKind.Return, ChannelKind.Trigger, ChannelKind.Notes }[random.Next(6)];
        template = template.With(Made(kind, $"{names[random.Next(names.Length)]} {seed % 97}"));
        var made = template.Channels[^1];
        Assert.True(Following.IsUnaltered(template, made), $"{made.Name} does not have what it was made with.");

        var turned = template;
        for (var turn = 0; turn < 4; turn++)
            turned = new RandomParts(random).Next(turned) is var edit && Batch.Apply(turned, [edit]) is BatchResult.Applied { Template: var next } && next.Channels.Contains(made.Id) ? next : turned;
        var following = Following.Of(turned, turned.Channels[made.Id]);
        if (following.Differs.Count > 0)
            Assert.Empty(Following.Of(turned.With([.. following.Back]), turned.With([.. following.Back]).Channels[made.Id]).Differs);
    }

    [Fact]
    public void ChangingADefault_OffersThoseThatFollow_AndNamesThoseThatWereAltered()
    {
        var template = House.With(Made(ChannelKind.Audio, "Lead vox 1"), Made(ChannelKind.Audio, "Lead vox 2"), Made(ChannelKind.Audio, "Lead vox 3"), Made(ChannelKind.Audio, "Dulcimer"));
        template = template.With(new SetParameter(new("lead-vox-2"), new("compressor"), "ratio", 8));
        var strip = DefaultChange.StripFor(template, template.Channels[new ChannelId("lead-vox-2")]);

        var change = DefaultChange.Of(template, new(ChannelKind.Audio, Family: "voices"), strip).Change!;

        Assert.Equal(["lead-vox-1", "lead-vox-3"], change.Along.Select(a => a.Channel.Value));
        // The one that it was taken from follows it by itself.
        Assert.Empty(change.Altered);
        var after = template.With([change.Edit, .. change.Along.SelectMany(a => a.Edits)]);
        Assert.All(after.Channels.Where(c => c.Name.StartsWith("Lead", StringComparison.Ordinal)), c => Assert.Equal(8, c.Inserts[1].Settings["ratio"]));
        Assert.Equal(template.Channels[new ChannelId("dulcimer")], after.Channels[new ChannelId("dulcimer")]);
    }

    [Fact]
    public void ADefault_ThatIsMadeBeforeThereAreReturns_StillMeansThoseToCome()
    {
        var template = House.With(Made(ChannelKind.Audio, "Lead vox 1"));
        var scope = new StripScope(ChannelKind.Audio, Role: "lead-voice");
        var change = DefaultChange.Of(template, scope, DefaultChange.StripFor(template, template.Channels[new ChannelId("lead-vox-1")])).Change!;

        var later = template.With(change.Edit, Made(ChannelKind.Return, "Well reverb"), Made(ChannelKind.Audio, "Lead vox 2"));

        Assert.Equal(["well-reverb"], later.Channels[new ChannelId("lead-vox-2")].Sends.Select(s => s.To.Value));
    }

    [Fact]
    public void AWish_OfARoleThatIsNone_IsRefused() =>
        Assert.Equal("missing", House.RefusalOf(new MakeChannel(new(ChannelKind.Audio) { Name = "Any", Role = "gong-whisperer" })).Code);

    [Fact]
    public void ANewInsert_BeginsWithItsFirstPatch_UntilThatIsGone()
    {
        var template = EmptyStage.Create("Patches").With(
            new PutPatch(new(ProcessorCatalogue.Compressor, "Firm", Map<double>.Empty.With("ratio", 6.5))),
            new SetFirstPatch(ProcessorCatalogue.Compressor, "Firm"),
            new MakeInsert(EmptyStage.MixBus, ProcessorCatalogue.Compressor));
        Assert.Equal(6.5, template.Channels[EmptyStage.MixBus].Inserts.Single().Settings["ratio"]);

        var without = template.With(new RemovePatch(ProcessorCatalogue.Compressor, "Firm"), new MakeInsert(EmptyStage.Main, ProcessorCatalogue.Compressor));
        Assert.Empty(without.Channels[EmptyStage.Main].Inserts.Single().Settings);
    }

    [Fact]
    public void StandAlike_ParksTheSameKindOnSeveralChannels_InOneActOrTurnsItOffEverywhere()
    {
        var template = OneBar(
            Bus("a", "mix-bus", Insert("c", ProcessorCatalogue.Compressor)), Bus("b", "mix-bus", Insert("e", ProcessorCatalogue.Equaliser), Insert("x", ProcessorCatalogue.Compressor)), Bus("d", "mix-bus"));
        Sequence<ChannelId> all = [new("a"), new("b"), new("d")];
        var act = template.Acts[0].Id;

        var parked = template.With(new StandAlike(all, new("a"), new("c"), act, Live: false));
        var off = parked.With(new StandAlike(all, new("a"), new("c"), null, Live: false));

        Assert.Equal([act], parked.Channels[new ChannelId("a")].Inserts[0].ParkedIn);
        Assert.Equal([act], parked.Channels[new ChannelId("b")].Inserts[1].ParkedIn);
        Assert.Empty(parked.Channels[new ChannelId("b")].Inserts[0].ParkedIn);
        Assert.Equal(template, parked.With(new StandAlike(all, new("b"), new("x"), act, Live: true)));
        Assert.True(off.Channels[new ChannelId("a")].Inserts[0].Off && off.Channels[new ChannelId("b")].Inserts[1].Off);
        Assert.Equal(parked, off.With(new StandAlike(all, new("a"), new("c"), null, Live: true)));
    }

    [Fact]
    public void SetAlike_SetsAllFieldsOrOne_OnTheFirstInsertOfTheSameKind()
    {
        var template = OneBar(
            Bus("a", "mix-bus", Insert("c", ProcessorCatalogue.Compressor, ("ratio", 7), ("attack-ms", 3))),
            Bus("b", "mix-bus", Insert("e", ProcessorCatalogue.Equaliser), Insert("x", ProcessorCatalogue.Compressor, ("ratio", 2), ("hold-ms", 40)), Insert("y", ProcessorCatalogue.Compressor)),
            Bus("c", "mix-bus", Insert("e", ProcessorCatalogue.Equaliser)));
        Sequence<ChannelId> all = [new("a"), new("b"), new("c")];

        var whole = template.With(new SetAlike(all, new("a"), new("c"))).Channels[new ChannelId("b")];
        var field = template.With(new SetAlike(all, new("a"), new("c"), "ratio")).Channels[new ChannelId("b")];

        Assert.Equal(template.Channels[new ChannelId("a")].Inserts[0].Settings, whole.Inserts[1].Settings);
        Assert.Equal(Map<double>.Empty.With("hold-ms", 40).With("ratio", 7), field.Inserts[1].Settings);
        Assert.All([whole, field], c => Assert.Empty(c.Inserts[2].Settings));
        Assert.Equal(template, template.With(new SetAlike([new("c")], new("a"), new("c"))));
    }

    [Fact]
    public void ReplacingAnInsert_KeepsItsPlaceItsFeedsAndItsCurves()
    {
        var template = OneBar(
            Trigger("pulse"), Bus("keys", "mix-bus", Insert("first", ProcessorCatalogue.Equaliser), Insert("mine", ProcessorCatalogue.Compressor, ("ratio", 9)) with { ParkedIn = ["record"] }, Insert("last", ProcessorCatalogue.Gain)),
            new SetKey(new("keys"), new("mine"), new(true, 90)), new PutFeed(new("pulse"), new(new("keys"), new("mine"), new(-3), TapPoint.Pre)),
            new PutShape(new("keys"), new(new Core.Automation.InsertTarget(new("mine"), "threshold-db"), "song", [new(0, -40), new(1, -10)])));

        var gated = template.With(new ReplaceInsert(new("keys"), new("mine"), ProcessorCatalogue.Gate));
        var keys = gated.Channels[new ChannelId("keys")];
        Assert.Equal([ProcessorCatalogue.Equaliser, ProcessorCatalogue.Gate, ProcessorCatalogue.Gain], keys.Inserts.Select(i => i.Processor));
        Assert.Equal((new KeyInput(true, 90), 0, "record"), (keys.Inserts[1].Key, keys.Inserts[1].Settings.Count, keys.Inserts[1].ParkedIn.Single()));
        Assert.Single(gated.Channels[new ChannelId("pulse")].Feeds);
        // A gate has a threshold too, so the curve holds on.
        Assert.NotNull(keys.Shapes.Single().Target.RangeOn(keys));

        var bent = template.With(new ReplaceInsert(new("keys"), new("mine"), ProcessorCatalogue.Saturator));
        Assert.Empty(bent.Channels[new ChannelId("pulse")].Feeds);
        Assert.Equal(template, bent.With([.. ((BatchResult.Applied)Batch.Apply(template, [new ReplaceInsert(new("keys"), new("mine"), ProcessorCatalogue.Saturator)])).Inverse]));
    }

    private static MakeChannel Made(ChannelKind kind, string name) => new(new(kind) { Name = name });
}
