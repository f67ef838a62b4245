using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.Server.Demo.Parts;

namespace HomeStage.Server.Demo;

/// <summary>Percussion before everything: low strings, pads and drone give way to pieces of the kits, each in its own way.</summary>
internal static class StormCue
{
    public const string Name = "Storm Cue";
    private const double TempoBpm = 116;
    private const int Kick = 36;
    private const int Snare = 38;

    public static Edit[] Edits() => [.. Frame(), .. Kits(), .. Players(), .. Spaces(), .. Room(), .. Stages()];

    private static Edit[] Frame() =>
    [
        new Describe(Name, "Cues", ["percussion", "heavy ducking", "one voice"],
            "Under a storm: percussion leads, the rest makes room. The bass gives way to the kick alone, the pads to kick and snare, "
            + "the drone to every beat; the cistern stays down while the narrator speaks."),
        new SetTimeline(new(TempoBpm, new(4, 4), [new("Gathering", 8), new("Front", 8), new("Eye", 4), new("Break", 8)])),
        new AddInsert(EmptyStage.Main, Limiter(3, -1)),
        new AddInsert(EmptyStage.MixBus, Equaliser(("low-cut", 1), ("low-cut-hz", 26))),
        new AddInsert(EmptyStage.MixBus, Compressor(-14, 1.8, ("attack-ms", 30), ("release-ms", 160)) with { Key = new(On: false, LowCutHz: 90) }),
        Bus("thunder", "Thunder", "mix-bus", 38, -1, Compressor(-14, 2, ("attack-ms", 30))),
        Bus("hands", "Hands", "mix-bus", 60, -2, Equaliser(("low-cut", 1), ("low-cut-hz", 110))),
        Bus("undertone", "Undertone", "mix-bus", 5, -3, Equaliser(("low-cut", 1), ("low-cut-hz", 30))),
        Bus("cloud", "Cloud", "mix-bus", 190, -3, Equaliser(("low-cut", 1), ("low-cut-hz", 140))),
        Bus("drone", "Drone", "mix-bus", 145, -5, Equaliser(("low-cut", 1), ("low-cut-hz", 120)), Ducker(-21, 4, 150)),
        Bus("speech", "Speech", "mix-bus", 305, 0),
        Bus("spaces", "Spaces", "mix-bus", 235, -2),
    ];

    private static Edit[] Kits() =>
    [
        Player("breakwater", "Breakwater Kit", "thunder", InstrumentCatalogue.Breakwater, -5, 0, StandInKits.Breakwater, [Gathering(), Front(), Break()]),
        Split("kick", "Kick", "thunder", "breakwater", 2, -2, ChannelFormat.Mono, Equaliser(("low-shelf-hz", 65), ("low-shelf-db", 2), ("bell-1-hz", 300), ("bell-1-db", -3)), Compressor(-15, 3)),
        Split("snare", "Snare", "thunder", "breakwater", 3, -4, ChannelFormat.Mono, Equaliser(("low-cut", 1), ("low-cut-hz", 100)), Compressor(-17, 3)),
        Split("claps", "Clap", "thunder", "breakwater", 4, -8, ChannelFormat.Mono, Equaliser(("low-cut", 1), ("low-cut-hz", 250))),
        Split("tom-high", "Tom high", "thunder", "breakwater", 5, -4, ChannelFormat.Mono),
        Split("tom-low", "Tom low", "thunder", "breakwater", 6, -4, ChannelFormat.Mono),
        Split("hats", "Hats", "thunder", "breakwater", 7, -8, ChannelFormat.Mono, Equaliser(("low-cut", 1), ("low-cut-hz", 300))),
        Split("ride", "Ride", "thunder", "breakwater", 8, -8, ChannelFormat.Mono, Equaliser(("low-cut", 1), ("low-cut-hz", 250))),
        Split("crash", "Crash", "thunder", "breakwater", 9, -8, ChannelFormat.Mono),
        Split("shaker", "Shaker", "thunder", "breakwater", 10, -9, ChannelFormat.Mono),
        Player("tidewater", "Tidewater Kit", "hands", InstrumentCatalogue.Tidewater, -7, 0, StandInKits.Tidewater.Together(), [Rain(), Hail()]),
    ];

    private static Edit[] Players() =>
    [
        Player("undertow", "Undertow", "undertone", InstrumentCatalogue.Undertow, -3, 0, null, [Low()], Compressor(-18, 3), Narrow(110)),
        Player("gullwing", "Gullwing", "cloud", InstrumentCatalogue.Gullwing, -10, 0, null, [Clouds()]),
        Player("squall", "Squall", "cloud", InstrumentCatalogue.Squall, -16, 0, null, [Wind()], Equaliser(("low-cut", 1), ("low-cut-hz", 300))),
        Player("reedbox", "Reedbox", "drone", InstrumentCatalogue.Reedbox, -12, -0.15, null, [Fifth()]),
        Voice("narrator", "Narrator", "speech", 1, -2, 0, Equaliser(("low-cut", 1), ("low-cut-hz", 80)), Compressor(-20, 3), Kept()),
        Trigger("beat", "Beat trigger", Sketch.Line("Every beat", Ticks.PerQuarter, 1, [], (0, 1.0 / 16, 60, 100))),
        CountIn(Sketch.Beats("Four", Sketch.Eighth, ["gathering"], (76, "X.x.x.x."))),
    ];

    /// <summary>Short, long, and an echo that runs into the long one; all on a bus of their own.</summary>
    private static Edit[] Spaces() =>
    [
        Return("hold", "Cargo hold", "spaces", 235, -4, Hall(0.8, 6000, 0), Equaliser(("low-cut", 1), ("low-cut-hz", 160), ("high-cut", 1), ("high-cut-hz", 9000))),
        Return("cistern", "Cistern", "spaces", 235, -7, Hall(2.7, 3800, 0.125), Equaliser(("low-cut", 1), ("low-cut-hz", 240), ("high-cut", 1), ("high-cut-hz", 7000)), Ducker(-34, 3, 400)),
        Return("gutter", "Gutter echo", "spaces", 235, -8, Delay(0.75, 0.5, 34, 4800), Equaliser(("low-cut", 1), ("low-cut-hz", 260), ("high-cut", 1), ("high-cut-hz", 8000))),
        Send("snare", "hold", -16), Send("tom-high", "hold", -14), Send("tom-low", "hold", -14), Send("tidewater", "hold", -18),
        Send("tidewater", "gutter", -20), Send("gullwing", "cistern", -14), Send("reedbox", "cistern", -18), Send("gutter", "cistern", -14),
        Send("narrator", "cistern", -24, open: false),
    ];

    private static Edit[] Room() =>
    [
        new AddInsert(Id("undertone"), Restarted("undertone", 6, 0.375, "breakwater", Kick)),
        new AddInsert(Id("cloud"), Restarted("cloud", 10, 0.375, "breakwater", Kick, Snare)),
        Feed("beat", "drone", "duck"), Feed("narrator", "cistern", "duck"),
    ];

    private static Edit[] Stages() =>
    [
        .. new[] { "write", "record", "mix" }.Select(act => new SetStage(Id("beat"), act, StageState.BehindTheCurtain)),
        new SetStage(Id("count-in"), "mix", StageState.InTheWings),
        .. new[] { "tom-high", "tom-low", "claps", "ride", "crash", "shaker" }.Select(id => new SetStage(Id(id), "write", StageState.BehindTheCurtain)),
        Note("undertone", "Gives way to the kick alone: six dB at the hit, back by the dotted sixteenth."),
        Note("cloud", "Ten dB at each kick and snare, back as soon. Here the storm breathes."),
        Note("drone", "By level: the beat trigger, which nobody hears."),
        Note("cistern", "Stays down while the narrator speaks."),
    ];

    /// <summary>A drawn curve that the notes of a kit's pieces restart.</summary>
    private static Insert Restarted(string bus, double depthDb, double backQuarters, string kit, params int[] pieces)
    {
        var ask = new DuckingAsk(depthDb, NoteValue.Milliseconds(backQuarters, TempoBpm));
        var (settings, trigger) = NoteDucking.Solve(ask, Map<double>.Empty, NoteTrigger.Plain with { EveryQuarters = null, Notes = [Id(kit)], Numbers = pieces.ToSequence() }, TempoBpm)
            ?? throw new InvalidOperationException($"No curve does that for {bus}.");
        return new(new("room"), ProcessorCatalogue.Ducker) { Settings = settings, Trigger = trigger };
    }

    private static Insert Hall(double decaySeconds, double dampingHz, double preDelayQuarters) => new(new("hall"), ProcessorCatalogue.Reverb)
    {
        Settings = Map<double>.Empty.With("decay-s", decaySeconds).With("damping-hz", dampingHz).With("pre-delay-quarters", preDelayQuarters),
    };

    private static Pattern Gathering() => Sketch.Beats("Far thunder", Sketch.Sixteenth, ["gathering", "eye"],
        (Kick, "X... .... ..x. .... X... .... .... ...."), (45, ".... .... .... ..oo .... ..o. .... .x.x"), (48, ".... .... .... .... .... .... ..o. o..."));

    private static Pattern Front() => Sketch.Beats("The front", Sketch.Sixteenth, ["front"],
        (Kick, "X... ..x. X... ..x."), (Snare, ".... X... .... X..."), (45, "..o. .... ..o. ...."), (42, "x.o. x.o. x.o. x.oo"));

    private static Pattern Break() => Sketch.Beats("It breaks", Sketch.Sixteenth, ["break"],
        (Kick, "X.x. ..X. X.x. ..X."), (Snare, ".... X... .... X..."), (45, "...x ..x. ...x ..x."), (48, ".x.. .... .x.. ...."), (51, "X.x. x.x. X.x. x.x."), (49, "X... .... .... ...."));

    private static Pattern Rain() => Sketch.Beats("Rain", Sketch.Sixteenth, ["gathering", "eye"],
        (82, "o.o. o.oo o.o. o.o."), (76, ".... ..o. .... ...o"), (84, ".... .... .... ...."));

    private static Pattern Hail() => Sketch.Beats("Hail", Sketch.Sixteenth, ["front", "break"],
        (64, "x..o ..x. x..o ..x."), (62, ".o.. x... .o.. x.o."), (82, "xoxo xoxo xoxo xoxo"), (77, "..o. ...o ..o. ...x"), (53, "o... .... .... ...."));

    private static Pattern Low() => Sketch.Line("Keel", Sketch.Eighth, 16, ["front", "break"],
        (0, 1.5, 28, 100), (2, 1, 28, 84), (3, 2, 31, 92), (6, 1, 28, 84), (7, 1, 27, 80), (8, 1.5, 28, 100), (10, 1, 35, 84), (11, 2, 33, 92), (14, 2, 31, 88));

    private static Pattern Clouds() => Sketch.Held("Cloud", 4 * Ticks.PerQuarter, [], [52, 59, 64], [52, 59, 67], [50, 57, 66], [48, 55, 64]);

    private static Pattern Wind() => Sketch.Line("Rising", Ticks.PerQuarter, 32, ["gathering"], (16, 15, 60, 90));

    private static Pattern Fifth() => Sketch.Held("Fifth", 8 * Ticks.PerQuarter, [], [40, 47], [40, 52]);
}
