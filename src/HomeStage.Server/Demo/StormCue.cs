using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
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
    private static readonly InsertId Reverb = new("reverb");

    public static Edit[] Edits() => [.. CastLists.Read(Name, "storm-cue.txt"), .. Frame(), .. Strips(), .. Starters(), .. Spaces(), .. Room(), .. Stages()];

    private static Edit[] Frame() =>
    [
        new Describe(Name, "Cues", ["percussion", "heavy ducking", "one voice"],
            "Under a storm: percussion leads, the rest makes room. The bass gives way to the kick alone, the pads to kick and snare, "
            + "the drone to every beat; the cistern stays down while the narrator speaks."),
        new AddInsert(EmptyStage.Main, Limiter(3, -1)),
        new AddInsert(EmptyStage.MixBus, Equaliser(("low-cut", 1), ("low-cut-hz", 26))),
        new AddInsert(EmptyStage.MixBus, Compressor(-14, 1.8, ("attack-ms", 30), ("release-ms", 160)) with { Key = new(On: false, LowCutHz: 90) }),
    ];

    /// <summary>What is otherwise than the default strips have it.</summary>
    private static Edit[] Strips() =>
    [
        Strip("thunder", Compressor(-14, 2, ("attack-ms", 30))),
        Strip("hands", Equaliser(("low-cut", 1), ("low-cut-hz", 110))),
        Strip("undertone", Equaliser(("low-cut", 1), ("low-cut-hz", 30))),
        Strip("cloud", Equaliser(("low-cut", 1), ("low-cut-hz", 140))),
        Strip("drone", Equaliser(("low-cut", 1), ("low-cut-hz", 120))),
        new AddInsert(Id("drone"), Ducker(-21, 4, 150)),
        Strip("kick", Equaliser(("low-shelf-hz", 65), ("low-shelf-db", 2), ("bell-1-hz", 300), ("bell-1-db", -3)), Compressor(-15, 3)),
        Strip("snare-sum", Equaliser(("low-cut", 1), ("low-cut-hz", 100)), Compressor(-17, 3)),
        Strip("clap", Equaliser(("low-cut", 1), ("low-cut-hz", 250))),
        Strip("hats", Equaliser(("low-cut", 1), ("low-cut-hz", 300))),
        Strip("cymbals", Equaliser(("low-cut", 1), ("low-cut-hz", 250))),
        Strip("squall", Equaliser(("low-cut", 1), ("low-cut-hz", 300))),
        .. new[] { ("kick", -2), ("snare-sum", -4), ("clap", -8), ("toms", -4), ("hats", -8), ("cymbals", -8), ("shaker", -9) }
            .Select(x => (Edit)new SetLevel(Id(x.Item1), new(x.Item2))),
    ];

    private static Edit[] Starters() =>
    [
        .. new[] { Gathering(), Front(), Break() }.Select(p => (Edit)new PutPattern(Id("breakwater-kit"), p)),
        .. new[] { Rain(), Hail() }.Select(p => (Edit)new PutPattern(Id("tidewater-kit"), p)),
        new PutPattern(Id("undertow"), Low()), new PutPattern(Id("gullwing"), Clouds()), new PutPattern(Id("squall"), Wind()), new PutPattern(Id("reedbox"), Fifth()),
        new PutPattern(Id("count-in"), Sketch.Beats("Four", Sketch.Eighth, ["gathering"], (76, "X.x.x.x."))),
    ];

    /// <summary>Short, long, and an echo that runs into the long one; all on a bus of their own.</summary>
    private static Edit[] Spaces() =>
    [
        new SetParameter(Id("cargo-hold"), Reverb, "damping-hz", 6000), new SetParameter(Id("cistern"), Reverb, "damping-hz", 3800), new SetParameter(Id("cistern"), Reverb, "pre-delay-quarters", 0.125),
        new AddInsert(Id("cistern"), Ducker(-34, 3, 400)),
        Send("snare-sum", "cargo-hold", -16), Send("toms", "cargo-hold", -14), Send("tidewater-kit", "cargo-hold", -18),
        Send("tidewater-kit", "gutter-echo", -20), Send("gullwing", "cistern", -14), Send("reedbox", "cistern", -18),
        Send("narrator", "cistern", -24, open: false),
    ];

    private static Edit[] Room() =>
    [
        new AddInsert(Id("undertone"), Restarted("undertone", 6, 0.375, "breakwater-kit", Kick)),
        new AddInsert(Id("cloud"), Restarted("cloud", 10, 0.375, "breakwater-kit", Kick, Snare)),
        Feed("beat-trigger", "drone", "duck"), Feed("narrator", "cistern", "duck"),
    ];

    private static Edit[] Stages() =>
    [
        new SetStage(Id("count-in"), "mix", StageState.InTheWings),
        .. new[] { "toms", "clap", "cymbals", "shaker" }.Select(id => new SetStage(Id(id), "write", StageState.BehindTheCurtain)),
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
