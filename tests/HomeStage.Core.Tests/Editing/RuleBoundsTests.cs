using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
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
        ["length of a section's name"] = (v => OfSection(s => s with { Name = new('s', (int)v) }), 1, 40, 1),
    };

    private static Template OfNotes(Func<Channel, Channel> change)
    {
        var stage = OneBar(new Core.Editing.AddChannel(new() { Id = new("part"), Name = "Part", Kind = ChannelKind.Notes }));
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
