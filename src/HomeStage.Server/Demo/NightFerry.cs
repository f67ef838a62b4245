using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using static HomeStage.Server.Demo.Parts;

namespace HomeStage.Server.Demo;

/// <summary>The full template of the demo company: a kit over eight pairs, bass and keys that duck, voices, four returns.</summary>
internal static class NightFerry
{
    public const string Name = "Night Ferry";
    private const ChannelFormat Wide = ChannelFormat.Stereo;

    public static Edit[] Edits() => [.. Frame(), .. Drums(), .. Players(), .. Voices(), .. Returns(), .. Sidechains(), .. Sends(), .. Stages(), .. BusesOnly(), .. FerryCargo.Edits(), .. FerryMovement.Edits(), .. InTurn()];

    /// <summary>The chorus sings before the singers' microphones.</summary>
    private static IEnumerable<Edit> InTurn() =>
        new[] { 1, 2, 3, 5 }.Select(i => new AcceptFinding($"input-shared/chorus-{i}", "The chorus is sung after the singers, before the same microphones."));

    private static Edit[] Frame() =>
    [
        new Describe(Name, "Plays", ["full company", "6/8", "ducking"],
            "The whole company. The pulse trigger is heard by nobody: it makes bass and instruments give way on the felt beat. "
            + "Voices wait for their microphones; in the Write act the chorus stays in the wings."),
        new SetTimeline(new(92, new(6, 8),
        [
            new("Intro", 4), new("Verse", 8), new("Crossing", 4, Meter: new(4, 4)), new("Chorus", 8), new("Landing", 4, TempoBpm: 84),
        ])),
        new AddInsert(EmptyStage.Main, Gain(0)),
        new AddInsert(EmptyStage.Main, Equaliser(("high-shelf-hz", 9000), ("high-shelf-db", 1))),
        new AddInsert(EmptyStage.Main, Limiter(4, -1)),
        new AddInsert(EmptyStage.MixBus, Equaliser(("low-cut", 1), ("low-cut-hz", 28))),
        new AddInsert(EmptyStage.MixBus, Compressor(-13, 1.7, ("attack-ms", 30), ("release-ms", 220)) with { Key = new(On: false, LowCutHz: 90) }),
        Bus("drums", "Drums", "mix-bus", 38, -1.5, Equaliser(("bell-1-hz", 350), ("bell-1-db", -1.5)), Compressor(-14, 2, ("attack-ms", 25))),
        Bus("bass", "Bass", "mix-bus", 5, -2, Equaliser(("low-cut", 1), ("low-cut-hz", 30), ("bell-1-hz", 320), ("bell-1-db", -2)), Compressor(-16, 2.5), Ducker(-14, 4, 140)),
        Bus("instruments", "Instruments", "mix-bus", 145, -3, Equaliser(("low-cut", 1), ("low-cut-hz", 90)), Ducker(-13, 2, 180)),
        Bus("guitars", "Guitars", "mix-bus", 112, -3, Equaliser(("low-cut", 1), ("low-cut-hz", 80))),
        Bus("voices", "Voices", "mix-bus", 305, -1, Equaliser(("low-cut", 1), ("low-cut-hz", 70)), Compressor(-18, 2)),
        Bus("singers", "Singers", "voices", null, -4, Compressor(-18, 2)),
        Bus("chorus", "Chorus", "voices", null, -5, Compressor(-20, 2.5)),
    ];

    private static Edit[] Drums() =>
    [
        Player("tidewater", "Tidewater Kit", "drums", InstrumentCatalogue.Tidewater, -6, 0, StandInKits.Tidewater, FerryPatterns.Kit()),
        Split("deep-drum", "Deep drum", "drums", "tidewater", 2, -1, Wide, Equaliser(("low-shelf-hz", 60), ("low-shelf-db", 2), ("bell-1-hz", 280), ("bell-1-db", -4)), Compressor(-16, 3)),
        Split("side-drum", "Side drum", "drums", "tidewater", 3, -3, Wide, Equaliser(("low-cut", 1), ("low-cut-hz", 90), ("bell-2-hz", 3800), ("bell-2-db", 2)), Compressor(-18, 2.5)),
        Split("frame-drum", "Frame drum", "drums", "tidewater", 4, -4, Wide, Equaliser(("low-cut", 1), ("low-cut-hz", 70))),
        Split("clap", "Clap", "drums", "tidewater", 5, -8, Wide, Equaliser(("low-cut", 1), ("low-cut-hz", 250))),
        Split("shakers", "Shakers", "drums", "tidewater", 6, -7, Wide, Equaliser(("low-cut", 1), ("low-cut-hz", 600))),
        Split("wood-blocks", "Wood blocks", "drums", "tidewater", 7, -8, Wide, Equaliser(("low-cut", 1), ("low-cut-hz", 300))),
        Split("bells-and-gong", "Bells and gong", "drums", "tidewater", 8, -7, Wide, Equaliser(("high-shelf-db", -2))),
    ];

    private static Edit[] Players() =>
    [
        Player("undertow", "Undertow", "bass", InstrumentCatalogue.Undertow, -2, 0, null, FerryPatterns.Bass(), Equaliser(("high-cut", 1), ("high-cut-hz", 3500)), Compressor(-18, 3), Narrow(110), Kept()),
        Player("bellbuoy", "Bellbuoy", "instruments", InstrumentCatalogue.Bellbuoy, -3, -0.2, null, FerryPatterns.Keys(), Equaliser(("low-cut", 1), ("low-cut-hz", 140))),
        Player("high-bellbuoy", "Bellbuoy, high", "instruments", InstrumentCatalogue.Bellbuoy, -9, 0.35, null, FerryPatterns.HighKeys(), Equaliser(("low-cut", 1), ("low-cut-hz", 300))),
        Player("gullwing", "Gullwing", "instruments", InstrumentCatalogue.Gullwing, -12, 0, null, FerryPatterns.Pad(), Equaliser(("low-cut", 1), ("low-cut-hz", 180)), Kept()),
        Player("driftwood", "Driftwood", "instruments", InstrumentCatalogue.Driftwood, -8, 0.15, null, FerryPatterns.Plucks(), Equaliser(("low-cut", 1), ("low-cut-hz", 110))),
        Player("reedbox", "Reedbox", "instruments", InstrumentCatalogue.Reedbox, -13, -0.35, null, FerryPatterns.Reeds(), Equaliser(("low-cut", 1), ("low-cut-hz", 160))),
        Trigger("pulse", "Pulse trigger", FerryPatterns.Pulse()),
        CountIn(FerryPatterns.CountIn()),
    ];

    private static Edit[] Voices() =>
    [
        Voice("guitar", "Guitar", "guitars", 7, -6, -0.3, Equaliser(("low-cut", 1), ("low-cut-hz", 90)), Compressor(-20, 2.5), Amplifier(14)),
        Voice("guitar-clean", "Guitar, clean twin", "guitars", 8, -6, 0.3, Equaliser(("low-cut", 1), ("low-cut-hz", 90))),
        Voice("narrator", "Narrator", "voices", 1, -2, 0, Equaliser(("low-cut", 1), ("low-cut-hz", 80), ("bell-2-hz", 3200), ("bell-2-db", 1.5)), Compressor(-20, 3)),
        .. new (string Id, string Name, double Pan)[] { ("low", "Singer low", -0.25), ("middle", "Singer middle", 0), ("high", "Singer high", 0.25) }
            .Select((s, i) => Voice($"singer-{s.Id}", s.Name, "singers", 2 + i, -2, s.Pan, Equaliser(("low-cut", 1), ("low-cut-hz", 100)), Compressor(-20, 3), Kept())),
        .. Enumerable.Range(1, 5).Select(i => Voice($"chorus-{i}", $"Chorus {i}", "chorus", i <= 3 ? 1 + i : 5, -4, -0.6 + 0.3 * (i - 1), Equaliser(("low-cut", 1), ("low-cut-hz", 140)))),
    ];

    private static Edit[] Returns() =>
    [
        Return("quayside", "Quayside echo", "mix-bus", 235, -3, Delay(0.5, 0.5, 18, 6500), Equaliser(("low-cut", 1), ("low-cut-hz", 200))),
        Return("open-water", "Open water echo", "mix-bus", 235, -5, Delay(1.5, 1, 42, 4200), Equaliser(("low-cut", 1), ("low-cut-hz", 260), ("high-cut", 1), ("high-cut-hz", 7000)), Ducker(-32, 3, 350)),
        Return("far-shore", "Far shore echo", "mix-bus", 235, -7, Delay(3, 2, 55, 2600), Equaliser(("low-cut", 1), ("low-cut-hz", 320))),
        Return("flutter", "Flutter echo", "mix-bus", 235, -6, Delay(0.25, 0.375, 30, 5000)),
    ];

    private static Edit[] Sidechains() => [Feed("pulse", "bass", "duck"), Feed("pulse", "instruments", "duck"), Feed("narrator", "open-water", "duck")];

    private static Edit[] Sends() =>
    [
        Send("side-drum", "quayside", -16), Send("frame-drum", "quayside", -14), Send("clap", "flutter", -15), Send("shakers", "flutter", -24),
        Send("wood-blocks", "open-water", -12), Send("bells-and-gong", "open-water", -14), Send("bellbuoy", "open-water", -13),
        Send("bellbuoy", "quayside", -16), Send("high-bellbuoy", "far-shore", -9), Send("narrator", "quayside", -18), Send("narrator", "far-shore", -20, open: false),
        Send("singers", "open-water", -15), Send("chorus", "open-water", -12), Send("guitar", "quayside", -16), Send("open-water", "far-shore", -12),
    ];

    /// <summary>A fourth act for riding the buses: everything runs, only the sums are seen.</summary>
    private static IEnumerable<Edit> BusesOnly()
    {
        yield return new SetActs([.. EmptyStage.Acts, new("buses", "Buses")]);
        foreach (var channel in Players().Concat(Drums()).Concat(Voices()).OfType<AddChannel>().Select(e => e.Channel))
            yield return new SetStage(channel.Id, "buses", channel.Kind == ChannelKind.Direct ? StageState.InTheWings : StageState.BehindTheCurtain);
    }

    private static Edit[] Stages() =>
    [
        new SetStage(Id("pulse"), "write", StageState.BehindTheCurtain),
        new SetStage(Id("pulse"), "record", StageState.BehindTheCurtain),
        new SetStage(Id("count-in"), "mix", StageState.InTheWings),
        .. Enumerable.Range(1, 5).Select(i => new SetStage(Id($"chorus-{i}"), "write", StageState.InTheWings)),
        new SetStage(Id("chorus"), "write", StageState.InTheWings),
        new SetStage(Id("guitar-clean"), "write", StageState.InTheWings),
        Note("bass", "One ducker here, not one on each instrument. Depth by its threshold, length by its release."),
        Note("pulse", "A 100 Hz tone a sixteenth long on every felt beat (the dotted quarter). Sent before its fader; nobody hears it."),
        Note("narrator", "Six inches from the microphone, a little off its axis. The far echo is in place but closed."),
        Note("open-water", "Stays down while the narrator speaks."),
        Note("tidewater", "Seven splits; its own channel carries what has no output of its own."),
    ];
}
