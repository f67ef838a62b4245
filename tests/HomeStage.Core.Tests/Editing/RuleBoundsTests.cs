using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

/// <summary>Where each range ends: the last value that is taken, and the next one that is not.</summary>
public class RuleBoundsTests
{
    private static readonly Template Stage = OneBar(Tone("kick", "mix-bus", ChannelFormat.Stereo, Insert("comp", "compressor")), Bus("drums", "mix-bus"));

    private static readonly Dictionary<string, (Func<double, Template> With, double Lowest, double Highest, double Step)> Ranges = new()
    {
        ["tempo"] = (v => Stage with { Timeline = Stage.Timeline with { TempoBpm = v } }, 20, 400, 0.001),
        ["tempo of a section"] = (v => OfSection(s => s with { TempoBpm = v }), 20, 400, 0.001),
        ["bars of a section"] = (v => OfSection(s => s with { Bars = (int)v }), 1, 999, 1),
        ["bars of the timeline"] = (v => Stage with { Timeline = Stage.Timeline with { Sections = Sections((int)v) } }, 4, 4000, double.NaN),
        ["beats of a meter"] = (v => Stage with { Timeline = Stage.Timeline with { Meter = new((int)v, 4) } }, 1, 32, 1),
        ["sharps of the key"] = (v => Stage with { Key = new((int)v, false) }, -7, 7, 1),
        ["tags"] = (v => Stage with { Tags = Many((int)v, i => $"Tag {i}") }, 0, 40, 1),
        ["acts"] = (v => Stage with { Acts = Many((int)v, i => new Act($"act-{i}", $"Act {i}")) }, 1, 20, 1),
        ["grooves"] = (v => Stage with { Grooves = Many((int)v, i => new Groove($"Groove {i:000}", Ticks.PerQuarter, [new(0)])) }, 0, 200, 1),
        ["accepted findings"] = (v => Stage with { Accepted = Map<string>.From(Enumerable.Range(0, (int)v).Select(i => KeyValuePair.Create($"finding-{i}", "As it is meant"))) }, 0, 500, 1),
        ["patches"] = (v => Stage with { Patches = Many((int)v, i => new Patch("compressor", $"Patch {i:0000}", Map<double>.Empty)) }, 0, Patch.MostInATemplate, 1),
        ["inserts"] = (v => OfKick(c => c with { Inserts = Many((int)v, i => Insert($"i{i}", "gain")) }), 0, 32, 1),
        ["sounds"] = (v => OfVoice(Many((int)v, i => new AudioStarter($"Sound {i}", new(new('a', 64), "Loop", 48000, 2, 96000), false, new(0), []))), 0, AudioStarter.MostOnAChannel, 1),
        ["level of a sound"] = (v => OfVoice([new("Loop", new(new('a', 64), "Loop", 48000, 2, 96000), false, new(v), [])]), -144, 6, 0.01),
        ["level"] = (v => OfKick(c => c with { Level = new(v) }), -144, 6, 0.01),
        ["pan"] = (v => OfKick(c => c with { Pan = v }), -1, 1, 0.001),
        ["hue"] = (v => OfKick(c => c with { HueDegrees = v }), 0, 359.999, 0.001),
        ["low cut of a key"] = (v => OfInsert(i => i with { Key = new(true, v) }), 20, 20000, 0.01),
        ["high cut of a key"] = (v => OfInsert(i => i with { Key = new(true, null, v) }), 20, 20000, 0.01),
        ["MIDI channel"] = (v => OfInput(new() { MidiChannel = (int)v }), 1, 16, 1),
        ["MIDI channel out"] = (v => OfNotes(c => c with { MidiOut = new("Desk", (int)v) }), 1, 16, 1),
        ["pad"] = (v => OfInput(new() { PadMap = [new((int)v, 36)] }), 0, 127, 1),
        ["note of a pad"] = (v => OfInput(new() { PadMap = [new(36, (int)v)] }), 0, 127, 1),
        ["controller"] = (v => OfInput(new() { Controllers = [new((int)v, "Wheel")] }), 0, 127, 1),
        ["length of a channel's name"] = (v => OfKick(c => c with { Name = new('k', (int)v) }), 1, 80, 1),
        ["length of a note"] = (v => OfKick(c => c with { Note = new('n', (int)v) }), 0, 4000, 1),
        ["pieces that a split carried"] = (v => Stage with { Aside = [Away((int)v)] }, 0, Core.Kits.KitRules.MostLines, 1),
        ["splits that are put aside"] = (v => Stage with { Aside = Many((int)v, i => Away(1) with { Split = Away(1).Split with { Id = new($"away-{i:0000}") } }) }, 0, AsideSplit.MostInATemplate, 1),
        ["names that became others"] = (v => Stage with { Copies = [new(ShelfKind.Groove, "Late", "item", 1, Map<string>.From(Enumerable.Range(0, (int)v).Select(i => KeyValuePair.Create($"was-{i}", $"Now {i}"))))] }, 0, ShelfCopy.MostBecame, 1),
        ["values that wait for a device's controls"] = (v => OfInsert(i => i with { Device = new("Winch"), Settings = Map<double>.From(Enumerable.Range(0, (int)v).Select(n => KeyValuePair.Create($"device.c{n}", 1.0))) }), 0, 4 * DeviceControl.MostOnADevice, 1),
        ["patterns"] = (v => OfKick(c => c with { Patterns = Many((int)v, i => new Pattern($"Beat {i}", Ticks.PerQuarter, [new(0, 120, 60, 100)], [])) }), 0, 64, 1),
        ["notes on an insert"] = (v => OfInsert(i => i with { Notes = Numbered((int)v, n => $"control-{n}") }), 0, 64, 1),
        ["length of a note on an insert"] = (v => OfInsert(i => i with { Notes = Map<string>.Empty.With("", new('n', (int)v)) }), 0, 400, 1),
        ["what an insert waits for"] = (v => OfInsert(i => i with { WaitsFor = new(WaitReason.Person, new('n', (int)v)) }), 0, 80, 1),
        ["bars of a count-in"] = (v => Stage with { Timeline = Stage.Timeline with { CountIn = new((int)v) } }, 0, CountIn.MostBars, 1),
        ["length of a tag"] = (v => Stage with { Tags = [new('t', (int)v)] }, 1, 40, 1),
        ["length of the name"] = (v => Stage with { Name = new('t', (int)v) }, 1, 80, 1),
        ["length of the category"] = (v => Stage with { Category = new('t', (int)v) }, 0, 80, 1),
        ["length of the prompt note"] = (v => Stage with { Note = new('t', (int)v) }, 0, 4000, 1),
        ["length of an act's name"] = (v => Stage with { Acts = [.. Stage.Acts, new("tour", new('t', (int)v))] }, 1, 40, 1),
        ["length of a reason"] = (v => Stage with { Accepted = Map<string>.Empty.With("finding", new('r', (int)v)) }, 1, 4000, 1),
        ["length of a first patch's name"] = (v => Stage with { FirstPatches = Map<string>.Empty.With("compressor", new('p', (int)v)) }, 1, 40, 1),
        ["length of a patch's name"] = (v => Stage with { Patches = [new("compressor", new('p', (int)v), Map<double>.Empty)] }, 1, 40, 1),
        ["low cut of a patch's key"] = (v => Stage with { Patches = [new("compressor", "Warm", Map<double>.Empty) { Key = new(true, v) }] }, 20, 20000, 0.01),
        ["high cut of a patch's key"] = (v => Stage with { Patches = [new("compressor", "Warm", Map<double>.Empty) { Key = new(true, null, v) }] }, 20, 20000, 0.01),
        ["copies of the shelf"] = (v => Stage with { Copies = Many((int)v, i => new ShelfCopy(ShelfKind.Groove, $"Late {i}", "item", 1, Map<string>.Empty)) }, 0, ShelfCopy.MostInATemplate, 1),
        ["default strips"] = (v => Stage with { Defaults = Many((int)v, i => new DefaultStrip(Scopes![i], new() { Inserts = [] })) }, 0, 200, 1),
        ["sends of a default strip"] = (v => OfDefault(new() { Sends = Many((int)v, i => new StripSend($"Hall {i}", new(0))) }), 0, Strip.MostSends, 1),
        ["length of a return's name in a default strip"] = (v => OfDefault(new() { Sends = [new(new('h', (int)v), new(0))] }), 0, 80, 1),
        ["level of a default strip's send"] = (v => OfDefault(new() { Sends = [new("Hall", new(v))] }), -144, 6, 0.01),
        ["acts of a default strip"] = (v => OfDefault(new() { Inserts = [Insert("comp", "compressor") with { ParkedIn = Many((int)v, i => $"act-{i}") }] }), 0, 20, 1),
        ["layers"] = (v => OfNotes(c => c with { Plays = Many((int)v, i => new ChannelId($"t{i}")) }, 65), 0, 64, 1),
        ["note processors"] = (v => OfKick(c => c with { NoteProcessors = Many((int)v, i => (NoteProcessor)new Transpose(1)) }), 0, 16, 1),
        ["length of a controller's name"] = (v => OfInput(new() { Controllers = [new(7, new('c', (int)v))] }), 1, 40, 1),
        ["length of a sound"] = (v => OfVoice([new("Loop", new(new('a', 64), "Loop", 48000, 2, 96000), true, new(0), []) { Quarters = (int)v }]), 1, AudioStarter.MostQuarters, 1),
        ["shapes"] = (v => OfKick(c => c with { Shapes = Many((int)v, i => new Shape(new LevelTarget(), $"section-{i}", [new(0, -6), new(1, 0)])) }), 0, 256, 1),
        ["points of a shape"] = (v => OfKick(c => c with { Shapes = [new(new LevelTarget(), "song", Many((int)v, i => new ShapePoint(i / 300.0, -6)))] }), 2, 256, 1),
        ["value of a shape"] = (v => OfKick(c => c with { Shapes = [new(new PanTarget(), "song", [new(0, v), new(1, 0)])] }), -1, 1, 0.001),
        ["levers"] = (v => Stage with { Levers = Many((int)v, i => new Lever($"l{i}", "Lift", 0, [])) }, 0, 64, 1),
        ["position of a lever"] = (v => OfLever(l => l with { Position = v }), 0, 1, 0.001),
        ["values of a lever"] = (v => OfLever(l => l with { Ranges = Many((int)v, i => new LeverRange(new($"gone-{i}"), new LevelTarget(), -6, 0)) }), 0, 64, 1),
        ["length of a lever's name"] = (v => OfLever(l => l with { Name = new('l', (int)v) }), 1, 40, 1),
        ["where a lever begins"] = (v => OfLever(l => l with { Ranges = [new(new("kick"), new PanTarget(), v, 0)] }), -1, 1, 0.001),
        ["where a lever ends"] = (v => OfLever(l => l with { Ranges = [new(new("kick"), new PanTarget(), 0, v)] }), -1, 1, 0.001),
        ["the grid"] = (v => Stage with { Opening = new("mix", [], null, (int)v) }, 1, 16 * Ticks.PerQuarter, 1),
        ["folded channels"] = (v => Stage with { Opening = new("mix", Many((int)v, i => new ChannelId($"c{i}")), null) }, 0, TemplateRules.MostChannels, 1),
        ["chains"] = (v => OfKick(c => c with { Inserts = Many(32, i => Insert($"i{i}", "gain")), Chains = Many((int)v, i => new Chain($"c{i}", "Chain", [new($"i{i}")])) }), 0, Chain.MostOnAChannel, 1),
        ["controls of a chain"] = (v => OfChain(c => c with { Controls = Many((int)v, i => new ChainControl($"x{i}", "Bite", 0, [])) }), 0, ChainControl.MostInAChain, 1),
        ["values of a chain's control"] = (v => OfChain(c => c with { Controls = [new("x", "Bite", 0, Many((int)v, i => new ChainMove(new("comp"), $"p{i}", 0, 1)))] }), 0, ChainControl.MostMoves, 1),
        ["length of a chain's name"] = (v => OfChain(c => c with { Name = new('c', (int)v) }), 1, 40, 1),
        ["length of a chain's control's name"] = (v => OfChain(c => c with { Controls = [new("x", new('c', (int)v), 0, [])] }), 1, 40, 1),
        ["where a chain's control switches from"] = (v => OfChain(c => c with { Controls = [new("x", "Bite", 0, [new(new("comp"), null, v, 1)])] }), 0, 1, 0.001),
        ["input"] = (v => OfAudio(c => c with { Source = new InputSource((int)v) }), 1, InputSource.Last, 1),
        ["second input"] = (v => OfAudio(c => c with { Source = new InputSource(64, (int)v) { } }), 1, InputSource.Last, 1),
        ["length of an input's name"] = (v => OfAudio(c => c with { Source = new InputSource(1) { FirstName = new('i', (int)v) } }), 1, 80, 1),
        ["length of a section's name"] = (v => OfSection(s => s with { Name = new('s', (int)v) }), 1, 40, 1),
    };

    /// <summary>As many sorts of channels as there are.</summary>
    private static readonly List<StripScope> Scopes =
    [
        .. from role in Core.Roles.RoleNames.All from kind in Enum.GetValues<ChannelKind>() select new StripScope(kind, Role: role),
    ];

    private static Template OfDefault(Strip strip) => Stage with { Defaults = [new(new(ChannelKind.Bus), strip)] };

    private static Template OfLever(Func<Lever, Lever> change) => Stage with { Levers = [change(new("l", "Lift", 0, []))] };

    private static Template OfChain(Func<Chain, Chain> change) => OfKick(c => c with { Chains = [change(new("c", "Chain", [new("comp")]))] });

    private static Template OfAudio(Func<Channel, Channel> change) => OfVoice([]) is var staged
        ? staged with { Channels = staged.Channels.Replace(change(staged.Channels[new ChannelId("voice")])) }
        : Stage;

    private static Map<string> Numbered(int count, Func<int, string> key) => Map<string>.From(Enumerable.Range(0, count).Select(i => KeyValuePair.Create(key(i), "Here")));

    private static Template OfNotes(Func<Channel, Channel> change, int targets = 0)
    {
        var stage = OneBar([new Core.Editing.AddChannel(new() { Id = new("part"), Name = "Part", Kind = ChannelKind.Notes }), .. Enumerable.Range(0, targets).Select(i => Tone($"t{i}", "mix-bus"))]);
        return stage with { Channels = stage.Channels.Replace(change(stage.Channels[new ChannelId("part")])) };
    }

    private static AsideSplit Away(int lines) => new(
        new() { Id = new("away"), Name = "Away", Kind = ChannelKind.Split, Source = new OutputSource(new("kick"), 2) }, Many(lines, i => $"Piece {i}"), Many(lines, i => $"{i}"), []);

    public static TheoryData<string> Names => [.. Ranges.Keys];

    [Theory]
    [MemberData(nameof(Names))]
    public void Check_AtTheEndsOfARange_TakesThem_AndNothingBeyond(string name)
    {
        var (with, lowest, highest, step) = Ranges[name];

        Assert.Null(TemplateRules.Check(with(lowest)));
        Assert.Null(TemplateRules.Check(with(highest)));
        var refused = TemplateRules.Check(with(highest + (double.IsNaN(step) ? 1 : step)));
        Assert.NotNull(refused);
        // What is said of a range is the range; a level's foot is −∞.
        if (refused is Refusal.OutOfRange said)
            Assert.Equal((lowest is -144 or 4 ? said.Min : lowest, highest), (said.Min, said.Max));
        if (refused is Refusal.TooMany many)
            Assert.Equal(highest, many.Most);
        // Where nothing is below the lowest there is nothing to refuse.
        if (lowest is not (0 or -144 or 4) || name is "pad" or "note of a pad" or "controller" or "hue")
            Assert.NotNull(TemplateRules.Check(with(lowest - step)));
    }

    [Theory]
    [InlineData(44100, true)]
    [InlineData(48000, true)]
    [InlineData(88200, true)]
    [InlineData(96000, true)]
    [InlineData(44101, false)]
    [InlineData(22050, false)]
    [InlineData(192000, false)]
    public void Check_OfASampleRate_TakesTheFourOfTheTrade(int rateHz, bool isTaken) =>
        Assert.Equal(isTaken ? null : new Refusal.OutOfRange("The sample rate", rateHz, 44100, 96000, "Hz"), TemplateRules.Check(Stage with { SampleRateHz = rateHz }));

    [Theory]
    [InlineData(1, true)]
    [InlineData(2, true)]
    [InlineData(8, true)]
    [InlineData(32, true)]
    [InlineData(3, false)]
    [InlineData(6, false)]
    [InlineData(64, false)]
    [InlineData(0, false)]
    public void Check_OfAMetersUnit_TakesHalvingsOfAWhole(int unit, bool isTaken) =>
        Assert.Equal(isTaken ? null : new Refusal.OutOfRange("The note value of a meter", unit, 1, 32, ""), TemplateRules.Check(Stage with { Timeline = Stage.Timeline with { Meter = new(3, unit) } }));

    /// <summary>Every control of every processor, as the catalogue gives its range.</summary>
    [Fact]
    public void Check_OfEachControl_TakesItsRange_AndWholeChoices()
    {
        foreach (var (processor, parameter) in ProcessorCatalogue.All.SelectMany(p => p.Parameters.Select(q => (p, q))))
        {
            Refusal? Set(double value) => TemplateRules.Check(OfKick(c => c with { Inserts = [Insert("i", processor.Id, (parameter.Id, value))] }));

            Assert.Null(Set(parameter.Min));
            Assert.Null(Set(parameter.Max));
            Assert.IsType<Refusal.OutOfRange>(Set(parameter.Max + 0.01));
            Assert.IsType<Refusal.OutOfRange>(Set(parameter.Min - 0.01));
            Assert.IsType<Refusal.OutOfRange>(Set(double.NaN));
            var between = Set(parameter.Min + 0.25);
            if (parameter.Unit is Unit.Choice)
                Assert.IsType<Refusal.WrongPlace>(between);
            else if (parameter.Max - parameter.Min > 0.25)
                Assert.Null(between);
        }
    }

    private static Template OfSection(Func<Section, Section> change) =>
        Stage with { Timeline = Stage.Timeline with { Sections = [change(Stage.Timeline.Sections[0])] } };

    /// <summary>Five of them, since one holds at most 999 bars.</summary>
    private static Sequence<Section> Sections(int bars) =>
        [.. Enumerable.Range(0, bars > 999 ? 5 : 1).Select(i => new Section($"s{i}", $"Part {i}", bars > 999 ? (i < 4 ? 800 : bars - 3200) : bars))];

    private static Sequence<T> Many<T>(int count, Func<int, T> each) => [.. Enumerable.Range(0, count).Select(each)];

    private static Template OfKick(Func<Channel, Channel> change) =>
        Stage with { Channels = Stage.Channels.Replace(change(Stage.Channels[new ChannelId("kick")])) };

    private static Template OfVoice(Sequence<AudioStarter> sounds) =>
        Stage.With(new Core.Editing.AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus })) is var staged
            ? staged with { Channels = staged.Channels.Replace(staged.Channels[new ChannelId("voice")] with { Starters = sounds }) }
            : Stage;

    private static Template OfInsert(Func<Insert, Insert> change) => OfKick(c => c with { Inserts = [change(c.Inserts[0])] });

    private static Template OfInput(NoteInput input) => OfKick(c => c with { NoteInput = input });
}
