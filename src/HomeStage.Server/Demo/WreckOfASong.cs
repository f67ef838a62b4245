using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.Server.Demo.Parts;

namespace HomeStage.Server.Demo;

/// <summary>A finished song as songs are found years later: takes under working names, prints beside what they are of, hidden channels, and mistakes.</summary>
internal static class WreckOfASong
{
    public const string Name = "Wreck of a Song";
    private static readonly string[] Verses = ["verse", "last-verse"];

    public static Edit[] Edits() =>
    [
        new SetTimeline(new(101, new(4, 4), [new("Verse", 8), new("Chorus", 8), new("Last verse", 8), new("Out", 4)])),
        new SetMusicalKey(new(-2, Minor: true)),
        new Describe(Name, "", [], "Mixed on two evenings. The fiddle in the chorus is the third take."),
        .. Sums(), .. Played(), .. Recorded(), .. Mixed(), .. Hidden(),
    ];

    private static Edit[] Sums() =>
    [
        Bus("drumz", "DRUMZ", "mix-bus", level: -1.5, strip: Compressor(-16, 3)), Bus("strs", "Strs grp", "mix-bus", level: -2), Bus("lv", "LV bus", "mix-bus", level: 1, strip: [Equaliser(("low-cut", 1), ("low-cut-hz", 90)), Compressor(-20, 3)]),
        Bus("stuff", "Stuff", "mix-bus", level: -4),
        Return("plate", "Verb short", "mix-bus", 220, -3, Reverb(1.4)), Return("echo", "Dly", "mix-bus", 250, -6, Delay(1, 1, 30, 6000)),
        // Nothing is sent to it any more.
        Return("old-verb", "Verb long OLD", "mix-bus", 220, -8, Reverb(4)),
        new AddInsert(EmptyStage.Main, Limiter(2, -1)),
    ];

    private static Edit[] Played() =>
    [
        Player("kit", "Breakwater", "drumz", InstrumentCatalogue.Breakwater, -3, 0, InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit!.Together(), [Beat()]),
        Player("bass", "Undertow", "stuff", InstrumentCatalogue.Undertow, -5, 0, null, [Low()]),
        Player("keys", "Bellbuoy", "stuff", InstrumentCatalogue.Bellbuoy, -9, 0.2, null, [Chords()]),
        Player("organ", "Reedbox", "stuff", InstrumentCatalogue.Reedbox, -12, -0.25, null, [Drone()]),
        // Muted since its print sounds in its place.
        new SetMute(Id("bass"), true), Take("bass-print", "Undertow print", "stuff", 0, -5),
        Trigger("pump", "Kick trig", Sketch.Beats("Fours", Sketch.Sixteenth, [], (36, "X... X... X... X..."))),
        new AddInsert(Id("keys"), Ducker(-24, 4, 180)), Feed("pump", "keys", "duck"),
    ];

    private static Edit[] Recorded() =>
    [
        Take("f1", "Fiddle close tk1", "strs", 3, -8), Take("f2", "Fiddle close tk2", "strs", 3, -8), Take("f3", "Fiddle close tk3 keep", "strs", 3, -6.5), Take("ff", "Fiddle far_tk3_01", "strs", 4, -14),
        Take("ce", "Cello comp", "strs", 5, -7), Take("c1", "Cello tk1", "strs", 5, -7),
        Take("v1", "Lead vox TAKE 4", "lv", 1, -4), Take("v2", "Lead vox TAKE 5 best", "lv", 1, -3), Take("dbl", "Lead vox dbl", "lv", 1, -11),
        Take("h1", "Harm hi edit", "lv", 2, -9), Take("h2", "Harm lo tuned", "lv", 2, -9),
        Take("gt", "Gtr strum 2021-11-04", "main", 6, -8), Take("sh", "Shaker copy", "drumz", 7, -13),
        Take("blorp", "Blorp 7", "stuff", 8, -16), Take("mixdown", "Mix print", "main", 0, 0), new SetMute(Id("mixdown"), true),
        new SetMute(Id("f1"), true), new SetMute(Id("f2"), true), new SetMute(Id("v1"), true), new SetMute(Id("c1"), true),
    ];

    private static Edit[] Mixed() =>
    [
        Send("f3", "plate", -11), Send("ff", "plate", -15), Send("ce", "plate", -13), Send("v2", "plate", -9), Send("v2", "echo", -16), Send("h1", "plate", -12), Send("h2", "plate", -12), Send("gt", "echo", -20, open: false),
        new SetPan(Id("f3"), -0.3), new SetPan(Id("ff"), 0.45), new SetPan(Id("h1"), 0.5), new SetPan(Id("h2"), -0.5),
        new AddInsert(Id("v2"), Compressor(-22, 4)), new AddInsert(Id("v2"), Compressor(-22, 4) with { Id = new("comp-2") }),
        new AddInsert(Id("f3"), Equaliser(("low-cut", 1), ("low-cut-hz", 180))), new AddInsert(Id("gt"), Gain(3) with { Off = true }),
        Over("v2", new LevelTarget(), "chorus", (0, -3), (0.4, -1.5), (1, -3)), Over("strs", new LevelTarget(), "out", (0, -2), (1, -30)), Over("echo", new LevelTarget(), "last-verse", (0, -6), (1, -12)),
    ];

    /// <summary>What stands where nobody looks, and still is a part of it.</summary>
    private static Edit[] Hidden() =>
    [
        .. EmptyStage.Acts.Select(act => new SetStage(Id("organ"), act.Id, StageState.InTheWings)),
        .. EmptyStage.Acts.Select(act => new SetStage(Id("ff"), act.Id, StageState.BehindTheCurtain)),
        new SetStage(Id("pump"), "mix", StageState.BehindTheCurtain),
    ];

    private static AddChannel Take(string id, string name, string feeds, int input, double level) => new(new()
    {
        Id = Id(id),
        Name = name,
        Kind = ChannelKind.Audio,
        Destination = Id(feeds),
        Level = new(level),
        Format = ChannelFormat.Mono,
        Source = input == 0 ? null : new InputSource(input, Monitored: true),
    });

    private static Insert Reverb(double seconds) => new(new("reverb"), ProcessorCatalogue.Reverb) { Settings = Map<double>.Empty.With("decay-s", seconds) };

    private static Pattern Beat() => Sketch.Beats("Beat", Sketch.Sixteenth, [], (36, "X... ..x. X... ...."), (38, ".... X... .... X..x"), (42, "x.o. x.o. x.o. x.oo"));

    private static Pattern Low() => Sketch.Line("Walk", Sketch.Eighth, 16, [], (0, 3, 34, 96), (4, 2, 34, 84), (8, 3, 29, 92), (12, 2, 31, 88), (14, 2, 33, 84));

    private static Pattern Chords() => Sketch.Held("Chords", 4 * Ticks.PerQuarter, Verses, [58, 62, 65], [53, 57, 60], [55, 58, 62], [51, 55, 58]);

    private static Pattern Drone() => Sketch.Held("Drone", 8 * Ticks.PerQuarter, ["chorus"], [46, 53], [44, 51]);
}
