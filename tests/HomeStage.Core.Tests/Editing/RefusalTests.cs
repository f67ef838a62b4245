using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

/// <summary>A template that is right, with one thing wrong at a time: it is refused, and told of what it is about.</summary>
public class RefusalTests
{
    private static readonly Insert Comp = Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) };

    private static readonly Template Stage = OneBar(
        Return("hall", "mix-bus"), Bus("drums", "mix-bus", Comp, Insert("trim", ProcessorCatalogue.Gain), Insert("duck", ProcessorCatalogue.Ducker)),
        Tone("organ", "mix-bus"), Tone("piano", "mix-bus"), Trigger("pulse"),
        new AddChannel(new() { Id = new("part"), Name = "Part", Kind = ChannelKind.Notes, Plays = [new("organ")] }),
        new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new InputSource(1) }),
        new AddChannel(new() { Id = new("count"), Name = "Count", Kind = ChannelKind.Direct, OutputPair = 2 }),
        new PutGroove(new Groove("Late", Ticks.PerQuarter, [new(0)])));

    private static readonly MediaRef Rain = new(new('a', 64), "Rain", 48000, 1, 48000);

    private static readonly Dictionary<string, (Template Wrong, string Told)> Cases = new()
    {
        ["a role that nobody knows"] = (With("organ", c => c with { Role = "juggler" }), "There is no role 'juggler'"),
        ["acts that are none"] = (With("organ", c => c with { Stages = Map<StageState>.From([new("ghost-a", StageState.InTheWings), new("ghost-b", StageState.InTheWings)]) }), "There is no act 'ghost-a'"),
        ["an amber hue"] = (With("organ", c => c with { HueDegrees = 75 }), "Tone organ cannot take a hue"),

        ["a name for the output of a bus"] = (With("drums", c => c with { OutputName = "Wedge" }), "Bus drums goes to no output"),
        ["an output's name without a letter"] = (With("count", c => c with { OutputName = "" }), "The name of the outputs of Count takes 1 to 80"),
        ["an output of a bus"] = (With("drums", c => c with { OutputPair = 3 }), "Bus drums does not go to an output by itself"),
        ["a main without outputs"] = (With("main", c => c with { OutputPair = null }), "The output pair of Main must lie between 1 and 64; it was 0"),
        ["an output beyond the last"] = (With("count", c => c with { OutputPair = 65 }), "it was 65"),
        ["a main that feeds a bus"] = (With("main", c => c with { Destination = new("drums") }), "Main is the last sum"),
        ["a direct channel that feeds a bus"] = (With("count", c => c with { Destination = new("drums") }), "Count goes around the main"),
        ["a trigger that feeds a bus"] = (With("pulse", c => c with { Destination = new("drums") }), "Trigger pulse is a trigger: it is never heard"),
        ["notes that feed a bus"] = (With("part", c => c with { Destination = new("drums") }), "Part makes no sound"),
        ["a destination that is gone"] = (With("organ", c => c with { Destination = new("nowhere") }), "There is no channel 'nowhere'"),
        ["an instrument that sums"] = (With("organ", c => c with { Destination = new("piano") }), "Tone organ cannot feed Tone piano: only a bus or the main sums"),

        ["a trigger without sound"] = (With("pulse", c => c with { Source = null }), "Trigger pulse needs something that sounds"),
        ["an instrument that plays a bus"] = (With("drums", c => c with { Source = new InputSource(1) }), "Bus drums is of a kind that cannot take its sound from there"),
        ["an instrument that nobody knows"] = (With("organ", c => c with { Source = new InstrumentSource("theremin") }), "There is no instrument 'theremin'"),
        ["a kit instrument without a kit"] = (With("organ", c => c with { Source = new InstrumentSource(InstrumentCatalogue.Breakwater) }), "needs a kit of pieces and outputs"),
        ["a kit for what plays none"] = (With("organ", c => c with { Source = new InstrumentSource(InstrumentCatalogue.Undertow, InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit) }), "plays no kit"),
        ["a split of what is gone"] = (Split(new("nobody"), 2), "There is no channel 'nobody'"),
        ["a split of what has no outputs"] = (Split(new("organ"), 2), "Snare cannot split Tone organ"),
        ["an input below the first"] = (With("voice", c => c with { Source = new InputSource(0) }), "The input of Voice must lie between 1 and"),
        ["a second input below the first"] = (With("voice", c => c with { Format = ChannelFormat.Stereo, Source = new InputSource(1, -3) }), "it was -3"),
        ["a name for an input that is not taken"] = (With("voice", c => c with { Source = new InputSource(1) { SecondName = "Far" } }), "Voice names a second input and takes none"),
        ["one input twice"] = (With("voice", c => c with { Format = ChannelFormat.Stereo, Source = new InputSource(4, 4) }), "two of input on Voice '4'"),
        ["an input's name without a letter"] = (With("voice", c => c with { Source = new InputSource(1) { FirstName = "" } }), "The name of an input of Voice takes 1"),
        ["a recording of what is gone"] = (With("voice", c => c with { Source = new InternalSource(new("nobody"), TapPoint.Pre) }), "There is no channel 'nobody'"),
        ["a recording of notes"] = (With("voice", c => c with { Source = new InternalSource(new("part"), TapPoint.Pre) }), "Voice cannot record Part"),

        ["patterns of what plays nothing"] = (With("voice", c => c with { Patterns = [Beat("Beat")] }), "Voice plays no instrument, so it holds no pattern"),
        ["two patterns that are wrong"] = (With("organ", c => c with { Patterns = [Beat("Beat") with { LengthTicks = 0 }, Beat("Bar") with { LengthTicks = -1 }] }), "The length of Beat"),
        ["two grooves that are wrong"] = (Stage with { Grooves = [new("Early", 0, [new(0)]), new("Late", -1, [new(0)])] }, "The cycle of Early"),
        ["two patterns of a name"] = (With("organ", c => c with { Patterns = [Beat("Beat"), Beat("Beat")] }), "two of pattern on Tone organ 'Beat'"),

        ["note input of what takes no notes"] = (With("voice", c => c with { NoteInput = new() }), "Voice takes no notes, so it has no note input"),
        ["a MIDI device without a name"] = (With("organ", c => c with { NoteInput = new() { Device = "" } }), "A MIDI device's name takes 1"),
        ["a layer that is gone"] = (With("organ", c => c with { NoteInput = new() { Layers = [new("nobody")] } }), "There is no channel 'nobody'"),
        ["a layer that is itself"] = (With("organ", c => c with { NoteInput = new() { Layers = [new("organ")] } }), "Tone organ cannot play Tone organ"),
        ["a layer that plays nothing"] = (With("organ", c => c with { NoteInput = new() { Layers = [new("drums")] } }), "Tone organ cannot play Bus drums"),
        ["a layer twice"] = (With("organ", c => c with { NoteInput = new() { Layers = [new("piano"), new("piano")] } }), "two of layer on Tone organ 'piano'"),
        ["a message kept out twice"] = (With("organ", c => c with { NoteInput = new() { KeptOut = [NoteMessage.PitchBend, NoteMessage.PitchBend] } }), "two of kept-out message on Tone organ"),
        ["a pad twice"] = (With("organ", c => c with { NoteInput = new() { PadMap = [new(36, 38), new(36, 40)] } }), "two of pad on Tone organ '36'"),
        ["a controller twice"] = (With("organ", c => c with { NoteInput = new() { Controllers = [new(7, "Level"), new(7, "Swell")] } }), "two of controller on Tone organ '7'"),
        ["a controller without a name"] = (With("organ", c => c with { NoteInput = new() { Controllers = [new(7, "")] } }), "A controller's name takes 1"),
        ["an instrument that plays another"] = (With("organ", c => c with { Plays = [new("piano")] }), "Tone organ is no notes channel"),
        ["an instrument that goes out by MIDI"] = (With("organ", c => c with { MidiOut = new("Desk", 1) }), "Tone organ is no notes channel"),
        ["a MIDI output without a name"] = (With("part", c => c with { MidiOut = new("", 1) }), "A MIDI device's name takes 1"),
        ["notes for what plays nothing"] = (With("part", c => c with { Plays = [new("voice")] }), "Part cannot play Voice"),
        ["note processors of what takes no notes"] = (With("drums", c => c with { NoteProcessors = [new Transpose(3)] }), "Bus drums takes no notes, so no note processor"),
        ["a groove of what takes no notes"] = (With("drums", c => c with { Groove = "Late" }), "Bus drums takes no notes, so it follows no groove"),
        ["a groove that is none"] = (With("organ", c => c with { Groove = "Early" }), "There is no groove 'Early'"),

        ["sounds on a bus"] = (With("drums", c => c with { Starters = [Laid("Rain")] }), "Bus drums is of a kind that holds no sound"),
        ["sounds on an instrument"] = (With("organ", c => c with { Starters = [Laid("Rain")] }), "Tone organ is of a kind that holds no sound"),
        ["two sounds of a name"] = (With("voice", c => c with { Starters = [Laid("Rain"), Laid("Rain")] }), "two of sound on Voice 'Rain'"),
        ["a sound of no length"] = (With("voice", c => c with { Starters = [Laid("Rain") with { Quarters = 0 }] }), "The length of Rain must lie between 1 and"),

        ["a print of what plays nothing"] = (With("drums", c => c with { PrintTwin = new("voice") }), "Bus drums plays no instrument, so there is nothing to print"),
        ["a print to what is gone"] = (With("organ", c => c with { PrintTwin = new("nobody") }), "There is no channel 'nobody'"),
        ["a print to a bus"] = (With("organ", c => c with { PrintTwin = new("drums") }), "Tone organ cannot be printed to Bus drums"),

        ["a processor that nobody knows"] = (Of(i => i with { Processor = "flux" }), "There is no processor 'flux'"),
        ["a key of what hears none"] = (Of(i => i with { Processor = ProcessorCatalogue.Gain }), "on Bus drums has no key input"),
        ["curves of what draws none"] = (Of(i => i with { Trigger = NoteTrigger.Plain }), "Compressor on Bus drums is restarted by nothing"),
        ["a ducker by notes of what is gone"] = (Of(i => i with { Trigger = NoteTrigger.Plain with { Notes = [new("organ"), new("nobody")] } }, "duck"), "There is no channel 'nobody'"),
        ["parked in an act that is none"] = (Of(i => i with { ParkedIn = ["mix", "ghost"] }), "There is no act 'ghost'"),
        ["parked in two acts that are none"] = (Of(i => i with { ParkedIn = ["ghost-a", "ghost-b"] }), "There is no act 'ghost-a'"),
        ["a value of a device's control where no device is"] = (Of(i => i with { Settings = Map<double>.Empty.With("device.drive", 1) }), "There is no parameter 'device.drive'"),
        ["a value of a device's control that can be none"] = (Of(i => i with { Device = Winch, Settings = Map<double>.Empty.With("device.Not an id!", 1) }), "There is no parameter 'device.Not an id!'"),
        ["a value of a device's control that is no number"] = (Of(i => i with { Device = Winch, Settings = Map<double>.Empty.With("device.drive", double.NaN) }), "There is no parameter 'device.drive'"),
        ["kept for automation, and no gain stage"] = (Of(i => i with { KeptForAutomation = true }), "is no gain stage, so it does not stand in for the fader"),
        ["a note on a control that can be none"] = (Of(i => i with { Notes = Map<string>.Empty.With("Not an id!", "Here") }), "There is no control 'Not an id!'"),
        ["a parameter that is none"] = (Of(i => i with { Settings = Map<double>.Empty.With("wobble", 1) }), "There is no parameter 'wobble'"),
        ["two inserts of an id"] = (With("drums", c => c with { Inserts = [Comp, Comp] }), "two of insert on Bus drums 'comp'"),

        ["a chain of nothing"] = (Chained(new("c", "Chain", [])), "There is no insert '' in the chain Chain"),
        ["an insert in two chains"] = (With("drums", c => c with { Chains = [new("a", "One", [Comp.Id]), new("b", "Two", [Comp.Id])] }), "two of insert in the chains of Bus drums 'comp'"),
        ["two chains of an id"] = (With("drums", c => c with { Chains = [new("a", "One", [Comp.Id]), new("a", "Two", [new("trim")])] }), "two of chain on Bus drums 'a'"),
        ["a chain without a name"] = (Chained(new("c", "", [Comp.Id])), "A chain's name takes 1"),
        ["a chain's id that is none"] = (Chained(new("Not an id!", "Chain", [Comp.Id])), "The id of a chain on Bus drums takes 1"),
        ["a control of a chain that moves what is elsewhere"] = (Moved(new(new("trim"), "gain-db", 0, 1)), "Bite of Chain moves only what is in its chain"),
        ["a control of a chain that moves to no number"] = (Moved(new(Comp.Id, "ratio", 1, double.NaN)), "Bite of Chain moves between numbers only"),
        ["a control of a chain that moves from no number"] = (Moved(new(Comp.Id, "ratio", double.PositiveInfinity, 1)), "Bite of Chain moves between numbers only"),
        ["a switch of a chain beyond on"] = (Moved(new(Comp.Id, null, 0, 2)), "Where Bite of Chain switches must lie between 0 and 1; it was 2"),
        ["a switch of a chain below off"] = (Moved(new(Comp.Id, null, -1, 1)), "it was -1"),
        ["a value that two controls move"] = (Chained(new("c", "Chain", [Comp.Id]) { Controls = [new("x", "Bite", 0, [new(Comp.Id, "ratio", 1, 2)]), new("y", "Bark", 0, [new(Comp.Id, "ratio", 1, 2)])] }), "two of value that controls of Chain move"),
        ["two controls of an id"] = (Chained(new("c", "Chain", [Comp.Id]) { Controls = [new("x", "Bite", 0, []), new("x", "Bark", 0, [])] }), "two of control of Chain 'x'"),
        ["a control's place beyond its end"] = (Chained(new("c", "Chain", [Comp.Id]) { Controls = [new("x", "Bite", 1.01, [])] }), "The position of Bite of Chain must lie between 0 and 1"),

        ["sends to what is gone"] = (With("organ", c => c with { Sends = [new(new("nowhere"), new(0)), new(new("elsewhere"), new(0))] }), "There is no channel 'nowhere'"),
        ["a send of the main"] = (With("main", c => c with { Sends = [new(new("hall"), new(0))] }), "Main is the last sum, so it has no sends"),
        ["a send of a trigger"] = (With("pulse", c => c with { Sends = [new(new("hall"), new(0))] }), "Trigger pulse is never heard, so it has no sends"),
        ["a send to an instrument"] = (With("organ", c => c with { Sends = [new(new("piano"), new(0))] }), "Tone organ cannot send to Tone piano"),
        ["a send twice"] = (With("organ", c => c with { Sends = [new(new("hall"), new(0)), new(new("hall"), new(-6))] }), "two of send on Tone organ to 'hall'"),
        ["a send beyond the top"] = (With("organ", c => c with { Sends = [new(new("hall"), new(6.01))] }), "The send from Tone organ to Return hall must lie"),
        ["feeds to what is gone"] = (With("pulse", c => c with { Feeds = [new(new("nowhere"), Comp.Id, new(0)), new(new("elsewhere"), Comp.Id, new(0))] }), "There is no channel 'nowhere'"),
        ["a feed to no insert"] = (With("pulse", c => c with { Feeds = [new(new("drums"), new("gone"), new(0))] }), "Bus drums has no insert 'gone'"),
        ["a feed to what hears no key"] = (With("pulse", c => c with { Feeds = [new(new("drums"), new("trim"), new(0))] }), "on Bus drums has no key input"),
        ["a feed twice"] = (With("pulse", c => c with { Feeds = [new(new("drums"), Comp.Id, new(0)), new(new("drums"), Comp.Id, new(-6))] }), "two of feed on Trigger pulse to"),
        ["a feed beyond the top"] = (With("pulse", c => c with { Feeds = [new(new("drums"), Comp.Id, new(6.01))] }), "The feed from Trigger pulse to Bus drums must lie"),

        ["a default for a role that nobody knows"] = (Default(new(ChannelKind.Audio, Role: "juggler")), "There is no role 'juggler'"),
        ["a default for a family that nobody knows"] = (Default(new(ChannelKind.Audio, Family: "jugglers")), "There is no family 'jugglers'"),
        ["a default for nobody"] = (Default(new(null)), "A default strip is for a kind, a role or a family"),
        ["a default for a role and a family"] = (Default(new(null, Role: "lead-voice", Family: "voices")), "A default strip is for a role or for a family"),
        ["two defaults for one sort"] = (Stage with { Defaults = [new(new(ChannelKind.Bus), new() { Inserts = [] }), new(new(ChannelKind.Bus), new() { Inserts = [] })] }, "two of default strip"),
        ["a default that somebody's notes restart"] = (Default(new(ChannelKind.Bus), new() { Inserts = [Insert("duck", ProcessorCatalogue.Ducker) with { Trigger = NoteTrigger.Plain with { Notes = [new("organ")] } }] }), "A default strip is no channel's, so no channel's notes restart it"),
        ["a default with chains of nothing"] = (Default(new(ChannelKind.Bus), new() { Chains = [new("c", "Chain", [Comp.Id])] }), "A default strip has chains, so it says its inserts as well"),
        ["a default that sends twice"] = (Default(new(ChannelKind.Bus), new() { Sends = [new("Hall", new(0)), new("hall", new(-6))] }), "two of send 'hall'"),
        ["a default that sends beyond the top"] = (Default(new(ChannelKind.Bus), new() { Sends = [new("Hall", new(6.01))] }), "The level of a send must lie"),
        ["a default with layers"] = (Default(new(ChannelKind.Instrument), new() { NoteInput = new() { Layers = [new("organ")] } }), "A default strip is no channel's, so it has no layers"),
        ["a default with controllers"] = (Default(new(ChannelKind.Instrument), new() { NoteInput = new() { Controllers = [new(7, "Level")] } }), "A default strip is no channel's, so it has no layers"),
        ["a default with pads"] = (Default(new(ChannelKind.Instrument), new() { NoteInput = new() { PadMap = [new(36, 38)] } }), "A default strip is no channel's, so it has no layers"),

        ["a patch of what nobody knows"] = (Stage with { Patches = [new("flux", "Warm", Map<double>.Empty)] }, "There is no instrument or processor 'flux'"),
        ["a patch with a key for what hears none"] = (Stage with { Patches = [new(ProcessorCatalogue.Gain, "Warm", Map<double>.Empty) { Key = new(true) }] }, "The patch Warm has a key filter for what listens to no key"),
        ["two patches of a name"] = (Stage with { Patches = [new(ProcessorCatalogue.Gain, "Warm", Map<double>.Empty), new(ProcessorCatalogue.Gain, "Warm", Map<double>.Empty)] }, "two of patch"),
        ["a first patch of what nobody knows"] = (Stage with { FirstPatches = Map<string>.Empty.With("flux", "Warm") }, "There is no instrument or processor 'flux'"),

        ["a lever that moves beyond a range"] = (Stage with { Levers = [new("l", "Lift", 0, [new(new("drums"), new InsertTarget(Comp.Id, "ratio"), 1, 1000)])] }, "What Lift moves on Bus drums must lie"),
        ["a lever that moves to no number"] = (Stage with { Levers = [new("l", "Lift", 0, [new(new("drums"), new LevelTarget(), double.NaN, 0)])] }, "Lift moves between numbers only"),
        ["a lever that moves a thing twice"] = (Stage with { Levers = [new("l", "Lift", 0, [new(new("drums"), new LevelTarget(), -6, 0), new(new("drums"), new LevelTarget(), -3, 0)])] }, "two of value on Lift"),
        ["two levers of an id"] = (Stage with { Levers = [new("l", "Lift", 0, []), new("l", "Sink", 0, [])] }, "two of lever 'l'"),
        ["a lever's id that is none"] = (Stage with { Levers = [new("Not an id!", "Lift", 0, [])] }, "The id of the lever Lift takes 1"),

        ["two mains"] = (Stage with { Channels = Stage.Channels.Insert(Stage.Channels.Count, Stage.Main with { Id = new("second") }) }, "The number of mains must lie between 1 and 1; it was 2"),
        ["a sample rate that is none"] = (Stage with { SampleRateHz = 47999 }, "The sample rate must lie"),
        ["a meter of sevenths"] = (Stage with { Timeline = Stage.Timeline with { Meter = new(4, 7) } }, "The note value of a meter must lie"),
        ["no section"] = (Stage with { Timeline = Stage.Timeline with { Sections = [] } }, "There is no section"),
        ["two sections of a name"] = (Stage with { Timeline = Stage.Timeline with { Sections = [new("a", "Verse", 1), new("b", "Verse", 1)] } }, "two of section 'Verse'"),
        ["two sections of an id"] = (Stage with { Timeline = Stage.Timeline with { Sections = [new("a", "Verse", 1), new("a", "Chorus", 1)] } }, "two of section 'a'"),
        ["two acts of an id"] = (Stage with { Acts = [.. Stage.Acts, Stage.Acts[0]] }, "two of act"),
        ["an act's id that is none"] = (Stage with { Acts = [.. Stage.Acts, new("Not an id!", "Tour")] }, "The id of the act Tour takes 1"),
        ["a finding that is accepted without a reason"] = (Stage with { Accepted = Map<string>.Empty.With("no-role organ", "  ") }, "The reason takes 1"),
        ["two grooves of a name"] = (Stage with { Grooves = [Stage.Grooves[0], Stage.Grooves[0]] }, "two of groove 'Late'"),
    };

    public static TheoryData<string> Names => [.. Cases.Keys];

    [Fact]
    public void TheStageItself_IsRight() => Assert.Null(TemplateRules.Check(Stage));

    /// <summary>What looks like one of those and is none.</summary>
    [Fact]
    public void WhatIsRight_IsTaken()
    {
        Template[] right =
        [
            // A value waits for the control of a device that may come back.
            Of(i => i with { Device = Winch, Settings = Map<double>.Empty.With("device.drive", 1e6) }),
            Default(new(ChannelKind.Instrument), new() { NoteInput = new() }),
            Default(new(ChannelKind.Bus), new() { Inserts = [Insert("trim", ProcessorCatalogue.Gain) with { ParkedIn = ["tour"] }] }),
            Default(new(ChannelKind.Bus), new() { Inserts = [Insert("duck", ProcessorCatalogue.Ducker) with { Trigger = NoteTrigger.Plain }] }),
        ];

        Assert.All(right, t => Assert.Null(TemplateRules.Check(t)));
    }

    private static OutsideDevice Winch => new("Old Winch") { Key = KeyWidth.Stereo };

    [Theory]
    [MemberData(nameof(Names))]
    public void Check_OfOneThingThatIsWrong_SaysWhatItIsAbout(string name)
    {
        var (wrong, told) = Cases[name];

        Assert.Contains(told, TemplateRules.Check(wrong)?.Sentence ?? "Nothing is wrong.", StringComparison.Ordinal);
    }

    private static Template With(string id, Func<Channel, Channel> change) => Stage with { Channels = Stage.Channels.Replace(change(Stage.Channels[new ChannelId(id)])) };

    /// <summary>An insert of the drums otherwise.</summary>
    private static Template Of(Func<Insert, Insert> change, string id = "comp") => With("drums", c => c with { Inserts = c.Inserts.Select(i => i.Id.Value == id ? change(i) : i).ToSequence() });

    private static Template Chained(Chain chain) => With("drums", c => c with { Chains = [chain] });

    private static Template Moved(ChainMove move) => Chained(new("c", "Chain", [Comp.Id]) { Controls = [new("x", "Bite", 0, [move])] });

    private static Template Default(StripScope scope, Strip? strip = null) => Stage with { Defaults = [new(scope, strip ?? new() { Inserts = [] })] };

    private static Template Split(ChannelId player, int output) => Stage with
    {
        Channels = Stage.Channels.Insert(Stage.Channels.Count, new() { Id = new("snare"), Name = "Snare", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(player, output) }),
    };

    private static Pattern Beat(string name) => new(name, Ticks.PerQuarter, [new(0, 120, 60, 100)], []);

    private static AudioStarter Laid(string name) => new(name, Rain, false, new(0), []);
}
