using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.Server.Demo.Parts;

namespace HomeStage.Server.Demo;

/// <summary>The small template that opens by default: a kit over ten mono outputs, keys and bass, two voices, one echo.</summary>
internal static class FirstRehearsal
{
    public const string Name = "First Rehearsal";

    private static readonly int[][] Chords = [[57, 60, 64], [53, 57, 60], [55, 60, 64], [55, 59, 62]];

    public static Edit[] Edits() =>
    [
        new Describe(Name, "Sketches", ["small", "drum set", "two voices"],
            "Opens at once. The kit leaves by nine mono outputs; while writing, kick and snare stand on stage and the other splits run behind the curtain."),
        new SetTimeline(new(96, new(4, 4), [new("Verse", 8), new("Chorus", 8)])),
        new AddInsert(EmptyStage.Main, Limiter(4, -1)),
        new AddInsert(EmptyStage.MixBus, Compressor(-14, 1.8, ("attack-ms", 30), ("release-ms", 180)) with { Key = new(On: false, LowCutHz: 90) }),
        Bus("drums", "Drums", "mix-bus", 38, -1),
        Player("breakwater", "Breakwater Kit", "drums", InstrumentCatalogue.Breakwater, -4, 0, StandInKits.Breakwater, [Verse(), Chorus()],
            Equaliser(("high-shelf-db", 1.5))),
        Split("kick", "Kick", "drums", "breakwater", 2, -3, ChannelFormat.Mono, Equaliser(("low-shelf-hz", 70), ("low-shelf-db", 2), ("bell-1-hz", 320), ("bell-1-db", -3)), Compressor(-16, 3)),
        Split("snare", "Snare", "drums", "breakwater", 3, -5, ChannelFormat.Mono, Equaliser(("low-cut", 1), ("low-cut-hz", 110)), Compressor(-18, 3)),
        .. Others(),
        Bus("instruments", "Instruments", "mix-bus", 145, -2),
        Player("bellbuoy", "Bellbuoy", "instruments", InstrumentCatalogue.Bellbuoy, -5, -0.15, null, [Keys()], Equaliser(("low-cut", 1), ("low-cut-hz", 120))),
        Player("undertow", "Undertow", "instruments", InstrumentCatalogue.Undertow, -6, 0, null, [Bass()], Equaliser(("high-cut", 1), ("high-cut-hz", 4000)), Compressor(-20, 3), Narrow(120), Kept()),
        Bus("voices", "Voices", "mix-bus", 305, 0),
        Voice("voice", "Voice", "voices", 1, 0, 0, Equaliser(("low-cut", 1), ("low-cut-hz", 90)), Compressor(-20, 3), Kept()),
        Voice("second-voice", "Second voice", "voices", 2, -3, 0.2, Equaliser(("low-cut", 1), ("low-cut-hz", 110)), Compressor(-20, 3)),
        Return("echo", "Short echo", "mix-bus", 235, -4, Delay(0.5, 0.75, 28, 5200)),
        Send("bellbuoy", "echo", -14), Send("snare", "echo", -20), Send("voice", "echo", -12), Send("second-voice", "echo", -12),
        // The voice comes closer towards the chorus, and its echo stays behind.
        Over("voice", new InsertTarget(new("kept"), "gain-db"), "verse", (0, -4), (1, 0)),
        Over("voice", new SendTarget(Id("echo")), "chorus", (0, -12), (0.5, -20), (1, -16)),
        new PutLever(new("daylight", "Daylight", 0.4,
        [
            new(Id("bellbuoy"), new InsertTarget(new("eq"), "low-cut-hz"), 400, 90), new(Id("undertow"), new InsertTarget(new("eq"), "high-cut-hz"), 1200, 8000),
        ])),
    ];

    /// <summary>The splits that are not looked at while writing: outputs 4 to 10, each where its piece stands.</summary>
    private static IEnumerable<Edit> Others()
    {
        foreach (var (id, output, pan) in new[] { ("clap", 4, 0.1), ("tom-high", 5, -0.2), ("tom-low", 6, 0.3), ("hats", 7, 0.25), ("ride", 8, 0.4), ("crash", 9, -0.4), ("shaker", 10, -0.3) })
        {
            var split = Split(id, StandInKits.Breakwater.Outputs[output - 1].Name, "drums", "breakwater", output, -4, ChannelFormat.Mono);
            yield return new AddChannel(split.Channel with { Pan = pan, Stages = Map<StageState>.Empty.With("write", StageState.BehindTheCurtain) });
        }
    }

    private static Pattern Verse() => Sketch.Beats("Verse beat", Sketch.Sixteenth, ["verse"],
        (36, "X... ..x. ..x. ...."), (38, ".... X... .... X..o"), (42, "x.o. x.o. x.o. x.o."), (46, ".... .... .... ..x."));

    private static Pattern Chorus() => Sketch.Beats("Chorus beat", Sketch.Sixteenth, ["chorus"],
        (36, "X... ..x. X.x. ...."), (38, ".... X... .... X..."), (39, ".... x... .... x..."), (51, "X.x. x.x. X.x. x.x."), (82, "ooxo ooxo ooxo ooxo"));

    private static Pattern Keys() => Sketch.Held("Four chords", 4 * Ticks.PerQuarter, [], Chords);

    private static Pattern Bass() => Sketch.Line("Roots", Sketch.Eighth, 32, [],
        (0, 3, 33, 100), (3, 2, 33, 82), (6, 2, 36, 88), (8, 3, 29, 100), (11, 2, 29, 82), (14, 2, 31, 88),
        (16, 3, 36, 100), (19, 2, 36, 82), (22, 2, 35, 88), (24, 3, 31, 100), (27, 2, 31, 82), (30, 1, 33, 84), (31, 1, 35, 90));
}
