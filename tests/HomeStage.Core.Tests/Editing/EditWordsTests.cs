using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Kits;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

public class EditWordsTests
{
    private static readonly Pattern Beat = new("Beat", Ticks.PerQuarter, [new(0, 120, 60, 100)], []);

    private static readonly Template Said = OneBar(
        Return("echo", "mix-bus"), Bus("keys", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor), Insert("eq", ProcessorCatalogue.Equaliser)),
        Tone("organ", "keys"), Trigger("pulse"),
        new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }),
        new AddChannel(new() { Id = new("part"), Name = "Part", Kind = ChannelKind.Notes }),
        new SetKey(new("keys"), new("comp"), new(true)),
        new PutGroove(new Groove("Late", Ticks.PerQuarter, [new(0)])),
        new PutSend(new("keys"), new(new("echo"), new(-12), Open: false)));

    /// <summary>Written down as somebody would say it who looks at the history.</summary>
    public static TheoryData<Edit, string> Sentences() => new()
    {
        { new SetLevel(new("keys"), new(-3)), "Bus keys: level 0.0 dB → −3.0 dB" },
        { new TurnInto(new("organ"), ChannelKind.Audio), "Tone organ becomes an audio channel" },
        { new SetPan(new("keys"), -0.5), "Bus keys: pan centre → 50 % left" },
        { new SetPan(new("keys"), 0.25), "Bus keys: pan centre → 25 % right" },
        { new PutSend(new("keys"), new(new("echo"), new(-6), TapPoint.Pre)), "Bus keys → Return echo: −12.0 dB, closed → −6.0 dB before the fader" },
        { new PutSend(new("organ"), new(new("echo"), new(-6), Open: false)), "Tone organ sends to Return echo, −6.0 dB after the fader, closed" },
        { new RemoveSend(new("keys"), new("echo")), "Bus keys sends to Return echo no more" },
        { new SetParameter(new("keys"), new("comp"), "ratio", 4), "Bus keys, compressor: ratio 3 : 1 → 4 : 1" },
        { new StandAlike([new("keys")], new("keys"), new("comp"), "mix", false), "Bus keys: the compressor parked in Mix" },
        { new SwitchInsert(new("keys"), new("comp"), true), "Bus keys: the compressor is off in every act" },
        { new PutChain(new("keys"), new("rust", "Rust", [new("comp"), new("eq")]) { Controls = [new("bite", "Bite", 0, [])] }), "Bus keys has a chain Rust of 2 inserts and 1 control" },
        { new LayChain([new("keys")], new() { Inserts = [new(new("a"), "gate")], Chains = [new("rust", "Rust", [new("a")])] }), "Bus keys gets the chain Rust (gate)" },
        { new SetParameter(new("keys"), new("eq"), "part", 4), "Bus keys, equaliser: applies to both sides → sides" },
        { new SetParameter(new("keys"), new("eq"), "part", -1), "Bus keys, equaliser: applies to both sides → −1" },
        { new SetParameter(new("keys"), new("eq"), "low-cut", 1), "Bus keys, equaliser: low cut off → on" },
        { new MoveInsert(new("keys"), new("comp"), 1), "Bus keys: the compressor stands at place 2 of the strip" },
        { new RemoveInsert(new("keys"), new("comp")), "Bus keys loses its compressor" },
        { new ParkInsert(new("keys"), new("comp"), [InMix]), "Bus keys: the compressor is parked in Mix" },
        { new ParkInsert(new("keys"), new("comp"), []), "Bus keys: the compressor is live in every act" },
        { new SetKey(new("keys"), new("comp"), null), "Bus keys: the key input of the compressor is taken away" },
        { new SetKey(new("keys"), new("comp"), new(false)), "Bus keys: the key input of the compressor is off" },
        { new SetKey(new("keys"), new("comp"), new(true)), "Bus keys: the key input of the compressor is on" },
        { new SetKey(new("keys"), new("comp"), new(true, 120)), "Bus keys: the key input of the compressor is on, hearing 120 to 20000 Hz" },
        { new SetKey(new("keys"), new("comp"), new(true, null, 400)), "Bus keys: the key input of the compressor is on, hearing 20 to 400 Hz" },
        { new SetWaitsFor(new("keys"), new("comp"), null), "Bus keys: the compressor waits for nothing" },
        { new SetWaitsFor(new("keys"), new("comp"), new(WaitReason.SongKey)), "Bus keys: the compressor waits for the song's key" },
        { new SetWaitsFor(new("keys"), new("comp"), new(WaitReason.Person)), "Bus keys: the compressor waits" },
        { new SetWaitsFor(new("keys"), new("comp"), new(WaitReason.Person, "the singer")), "Bus keys: the compressor waits for the singer" },
        { new AcceptFinding("no-role keys", "It is meant so"), "A finding is accepted as intended" },
        { new AcceptFinding("no-role keys", null), "A finding counts again" },
        { new PutFeed(new("pulse"), new(new("keys"), new("comp"), new(0), TapPoint.Pre)), "Trigger pulse steers the compressor on Bus keys, 0.0 dB before the fader" },
        { new RemoveFeed(new("pulse"), new("keys"), new("comp")), "Trigger pulse steers the compressor on Bus keys no more" },
        { new SetStage(new("echo"), InMix, StageState.InTheWings), "Return echo is in the wings in Mix" },
        { new SetStage(new("echo"), InMix, StageState.BehindTheCurtain), "Return echo is behind the curtain in Mix" },
        { new SetStage(new("echo"), InMix, StageState.OnStage), "Return echo is on stage in Mix" },
        { new PutAside(Away(stays: false)), "Away is put aside with its strip" },
        { new PutAside(Away(stays: true)), "Away carries others as well, and its strip is remembered as that of Kick, Rim" },
        { new SetMute(new("keys"), true), "Bus keys is muted" },
        { new SetMute(new("keys"), false), "Bus keys is open again" },
        { new SetPolarity(new("keys"), true), "Bus keys: polarity flipped" },
        { new SetPolarity(new("keys"), false), "Bus keys: polarity upright" },
        { new SetFormat(new("keys"), ChannelFormat.Mono), "Bus keys is mono" },
        { new SetHue(new("keys"), 200), "Bus keys takes hue 200°" },
        { new SetHue(new("keys"), null), "Bus keys takes the hue of what it feeds" },
        { new SetNote(new("keys"), ""), "The note on Bus keys is gone" },
        { new SetNote(new("keys"), "Softly"), "The note on Bus keys is rewritten" },
        { new SetRole(new("keys"), null), "Bus keys takes its role from its name" },
        { new SetRole(new("keys"), "keys"), "Bus keys is for keys" },
        { new SetOutputPair(new("main"), 2), "Main goes to outputs 3–4" },
        { new SetSpare(new("voice"), true), "Voice waits as a spare" },
        { new SetSpare(new("voice"), false), "Voice is a spare no more" },
        { new SetPrintTwin(new("organ"), new("voice")), "Tone organ prints to Voice" },
        { new SetPrintTwin(new("organ"), null), "Tone organ prints nowhere" },
        { new SetDestination(new("organ"), EmptyStage.MixBus), "Tone organ feeds Mix bus instead of Bus keys" },
        { new MoveChannel(new("organ"), new("keys"), null), "Tone organ stands elsewhere" },
        { new MoveChannel(new("organ"), EmptyStage.MixBus, new("voice")), "Tone organ moves under Mix bus, before Voice" },
        { new SetSource(new("voice"), new InputSource(3, 4, true, true)), "Voice takes inputs 3 and 4, monitored, armed instead of nothing" },
        { new SetSource(new("voice"), new InputSource(3)), "Voice takes input 3 instead of nothing" },
        { new SetSource(new("voice"), new InternalSource(new("keys"))), "Voice takes what Bus keys plays, after the fader instead of nothing" },
        { new PutPattern(new("organ"), Beat), "Tone organ has the starter Beat" },
        { new PutPattern(new("organ"), Beat with { Name = "Held" }), "Tone organ: the starter Held is changed" },
        { new RemovePattern(new("organ"), "Held"), "Tone organ loses the starter Held" },
        { new SetPlays(new("part"), [new("organ")], new("Desk", 3)), "Part plays Tone organ, Desk on MIDI channel 3" },
        { new SetPlays(new("part"), [], null), "Part plays nothing" },
        { new SetGroove(new("organ"), "Late"), "Tone organ follows the groove Late" },
        { new SetGroove(new("organ"), null), "Tone organ plays straight" },
        { new PutGroove(new Groove("Late", Ticks.PerQuarter, [new(0)])), "The groove Late is changed" },
        { new PutGroove(new Groove("Early", Ticks.PerQuarter, [new(0)])), "The groove Early is kept" },
        { new SetTimeline(new(92, new(4, 4), [new("Song", 1)])), "Tempo 120 → 92 quarter notes a minute" },
        { new SetTimeline(new(120, new(6, 8), [new("Song", 1)])), "Meter 4/4 → 6/8" },
        { new SetTimeline(new(120, new(4, 4), [new("Refrain", 1, Id: "song")])), "Song is called Refrain" },
        { new SetTimeline(new(120, new(4, 4), [new("Refrain", 2, Id: "song")])), "The sections are Refrain (2 bars)" },
        { new SetTimeline(new(92, new(4, 4), [new("Refrain", 1, Id: "song")])), "The sections are Refrain (1 bar)" },
        { new SetTimeline(new(120, new(6, 8), [new("Refrain", 1, Id: "song")])), "The sections are Refrain (1 bar)" },
        { new SetTimeline(new(120, new(4, 4), [new("Song", 2), new("End", 1)])), "The sections are Song (2 bars), End (1 bar)" },
        { new Describe("Other", "", [], ""), "It is now called Other" },
        { new Describe("One bar", "", [], "Play"), "The prompt note is rewritten" },
        { new Describe("One bar", "Band", [], ""), "Its category is Band" },
        { new Describe("One bar", "", ["slow", "warm"], ""), "Its tags are slow, warm" },
        { new SetMusicalKey(null), "The key waits for the song" },
        { new SetSampling(44100, PanLaw.Linear), "44100 Hz, pan law −6 dB at the centre" },
        { new RemoveChannel(new("keys")), "Bus keys is removed" },
        { new NameChannels([new("keys"), new("organ")], "Part {n}"), "Bus keys, Tone organ are named Part {n}" },
        { new DuplicateChannels([new("keys")]), "Bus keys is duplicated" },
        { new DuplicateChannels([new("keys"), new("organ"), new("voice"), new("part"), new("echo")]), "Bus keys, Tone organ, Voice and 2 more are duplicated" },
        { new AddSends([new("organ"), new("voice")], new(new("echo"), new(-12))), "Tone organ, Voice send to Return echo, −12.0 dB" },
        { new TakeInputs([new("voice")], 5), "Voice takes inputs from 5 on" },
        { new TakeInput(new("voice"), new(3) { FirstName = "Wall 3" }), "Voice takes input 3 (Wall 3)" },
        { new TakeInput(new("voice"), new(3, 4, Monitored: true) { FirstName = "Left", SecondName = "Right" }), "Voice takes inputs 3 and 4 (Left, Right), monitored" },
        { new MonitorInputs([new("voice")], true, false), "Voice: monitored, not armed" },
        { new SetOutputPair(EmptyStage.Main, 2, "Small room"), "Main goes to outputs 3–4, Small room" },
        { new SetDevice(new("organ"), null, new("Loom")), "Tone organ: Key tone stands in for Loom" },
        { new SetDevice(new("keys"), new("comp"), new("Old Winch")), "Bus keys: compressor stands in for Old Winch" },
        { new SetDevice(new("keys"), new("comp"), null), "Bus keys: compressor stands in for nothing" },
        { new SetStandIn(new("keys"), new("comp"), ProcessorCatalogue.Limiter), "Bus keys: its device is heard through limiter" },
        { new RestoreChannels([new(new() { Id = new("x"), Name = "Harp", Kind = ChannelKind.Bus }, 1), new(new() { Id = new("y"), Name = "Lute", Kind = ChannelKind.Bus }, 2)], []), "Harp, Lute are back" },
        { new RestoreChannels([new(new() { Id = new("x"), Name = "Harp", Kind = ChannelKind.Bus }, 0)], []), "Harp is back" },
        { new RestoreChannels([new(new() { Id = new("keys"), Name = "Bus keys", Kind = ChannelKind.Bus }, null)], []), "Bus keys as before" },
        { new RestoreChannels([], [new("keys")]), "Bus keys is taken away again" },
        { new BusAround([new("keys")], new("all"), "All keys"), "All keys is put around Bus keys" },
    };

    private static AsideSplit Away(bool stays) => new(
        new() { Id = new("away"), Name = "Away", Kind = ChannelKind.Split, Source = new OutputSource(new("organ"), 2) }, ["Kick", "Rim"], ["36", "37"], [])
    { Stays = stays };

    [Fact]
    public void RemovingWhatIsFed_SaysWhoseFeedsGoWithIt()
    {
        var fed = OneBar(Bus("keys", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) }), Trigger("pulse"), Trigger("snap"),
            new PutFeed(new("pulse"), new(new("keys"), new("comp"), new(0))), new PutFeed(new("snap"), new(new("keys"), new("comp"), new(0))));

        // What feeds another insert of the channel, or the like of another channel, is not lost.
        var beside = fed.With(new AddInsert(new("keys"), Insert("gate", ProcessorCatalogue.Gate) with { Key = new(true) }), Bus("strings", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) }));
        Assert.Equal("Bus keys loses its gate", EditWords.Of(new RemoveInsert(new("keys"), new("gate")), beside));
        Assert.Equal("Bus strings loses its compressor", EditWords.Of(new RemoveInsert(new("strings"), new("comp")), beside));
        var one = fed.With(new RemoveFeed(new("snap"), new("keys"), new("comp")));

        Assert.Equal("Bus keys loses its compressor, and the feeds from Trigger pulse, Trigger snap with it", EditWords.OfBatch([new RemoveInsert(new("keys"), new("comp"))], fed).Single());
        Assert.Equal("Bus keys loses its compressor, and the feed from Trigger pulse with it", EditWords.OfBatch([new RemoveInsert(new("keys"), new("comp"))], one).Single());
    }

    [Theory]
    [MemberData(nameof(Sentences))]
    public void Of_AnEdit_SaysItWithNamesAndUnits(Edit edit, string sentence)
    {
        Assert.Equal(sentence, EditWords.Of(edit, Said));
    }

    [Property(MaxTest = 200)]
    public void Of_AnyEditOnAnyTemplate_IsASentence(int seed)
    {
        var chance = new RandomTemplates(seed);
        var template = chance.Grown(40);

        Assert.All(chance.Edits(template, 20), e => Assert.NotEmpty(EditWords.Of(e, template)));
    }

    [Fact]
    public void OfBatch_KnowsChannelsThatTheBatchItselfMakes()
    {
        var said = EditWords.OfBatch([Bus("voices", "mix-bus"), new SetMute(new("voices"), true)], Said);

        Assert.Equal(["Bus voices is new under Mix bus", "Bus voices is muted"], said);
    }

    [Fact]
    public void EveryKindOfEdit_IsMadeByTheRandomTemplatesOrByTheTest_SoThatNoneIsWithoutWords()
    {
        var made = Enumerable.Range(0, 800).SelectMany(seed =>
        {
            var chance = new RandomTemplates(seed);
            var template = chance.Grown(30);
            return chance.Edits(template, 20).Concat(Difference.Between(template, chance.Grown(10))).Select(e => e.GetType());
        }).ToHashSet();
        Type[] here = [typeof(SetOutputs), typeof(SetPiecePlace), typeof(SetPieceSound), typeof(RestoreChannels), typeof(RestoreActs), typeof(SetInstrumentSetting), typeof(Describe), typeof(SetMusicalKey), typeof(RemovePattern), typeof(SetOutputPair), typeof(RemoveFeed), typeof(SetSettings), typeof(SetPrintTwin), typeof(RemoveStarter), typeof(PutAside), typeof(RemoveAside)];

        Assert.Equal([], typeof(Edit).Assembly.GetTypes().Where(t => !t.IsAbstract && t.IsSubclassOf(typeof(Edit))).Except(made).Except(here));
        Assert.All<Edit>([new RestoreChannels([], [new("keys")]), new RestoreActs(Said.Acts, []), new SetInstrumentSetting(new("keys"), "x", 1), new Describe("New", "", [], ""), new SetMusicalKey(new(0, false)),
            new RemovePattern(new("keys"), "Beat"), new SetOutputPair(new("main"), 2), new RemoveFeed(new("echo"), new("keys"), new("comp")), new SetSettings(new("keys"), null, Map<double>.Empty), new SetPrintTwin(new("keys"), null), new RemoveStarter(new("keys"), "Loop"), new RemoveAside(new("any")),
            new SetOutputs(new("keys"), StandInKits.Flotsam, []), new SetPieceSound(new("keys"), "Pad 1", null), new SetPiecePlace(new("keys"), "Pad 1", PieceStay.Alone, 1), new SetPiecePlace(new("keys"), "Pad 1", PieceStay.OnFirst, 1), new SetPiecePlace(new("keys"), "Pad 1", PieceStay.ByPlan, 2)],
            e => Assert.NotEmpty(EditWords.Of(e, Said)));
    }

    [Theory]
    [InlineData(new[] { "Clap", "Gong" }, new string[0], "Clap, Gong of Set leave the first output")]
    [InlineData(new[] { "Clap", "Gong" }, new[] { "Gong" }, "Clap of Set leaves the first output")]
    [InlineData(new[] { "Clap" }, new[] { "Clap", "Gong" }, "Gong of Set leaves by the first output as well")]
    [InlineData(new[] { "Clap" }, new[] { "Gong" }, "Set shares its outputs out anew")]
    [InlineData(new[] { "Clap" }, new[] { "Clap" }, "Set shares its outputs out anew")]
    public void WhatIsOnTheFirstOutputAsWell_IsToldByName(string[] before, string[] after, string words)
    {
        Kit On(string[] names) => StandInKits.Tidewater.Rewired(l => l.Microphone with { AlsoOnFirst = names.Contains(l.Name) });
        var set = Stages.OneBar(new AddChannel(new() { Id = new("set"), Name = "Set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, On(before)) }));

        Assert.Equal(words, EditWords.Of(new SetOutputs(new("set"), On(after), []), set));
        // Where anything else changes with it, all of it is told as one.
        Assert.Equal("Set shares its outputs out anew", EditWords.Of(new SetOutputs(new("set"), On(after) with { FirstReserved = false }, []), set));
    }

    [Theory]
    [InlineData(true, true, "Voice takes input 5, monitored, armed")]
    [InlineData(false, true, "Voice takes input 5, armed, monitored no more")]
    [InlineData(true, false, "Voice takes input 5, monitored, armed no more")]
    [InlineData(false, false, "Voice takes input 5, monitored no more, armed no more")]
    public void AnotherInput_TellsWhatItEnds(bool monitored, bool armed, string words)
    {
        var heard = Stages.OneBar(new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = new InputSource(2, null, true, true) }));

        Assert.Equal(words, EditWords.Of(new TakeInput(new("voice"), new(5, null, monitored, armed)), heard));
    }
}
