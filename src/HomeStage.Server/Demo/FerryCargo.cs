using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.Server.Demo.Parts;

namespace HomeStage.Server.Demo;

/// <summary>What the Night Ferry carries beside its band: references, spares, a notes channel, a groove, a patch, how it is played.</summary>
internal static class FerryCargo
{
    private static readonly Map<StageState> Waiting = Map<StageState>.From(EmptyStage.Acts.Select(a => a.Id).Append("buses").Select(act => KeyValuePair.Create(act, StageState.InTheWings)));
    private static readonly Sequence<NoteMessage> Nuisances = [NoteMessage.Modulation, NoteMessage.PitchBend, NoteMessage.ChannelPressure];

    public static Edit[] Edits() => [.. Aboard(), .. Chapel(), .. Played(), .. Waits()];

    private static Edit[] Aboard() =>
    [
        Spare("spare-instrument", "Spare player", "instruments"),
        Spare("spare-voice", "Spare voice", "voices"),
        Reference("reference-harbour", "Reference, harbour mix"),
        Reference("reference-chapel", "Reference, chapel mix"),
        new AddChannel(new()
        {
            Id = Id("harbour-lights"),
            Name = "Harbour lights",
            Kind = ChannelKind.Notes,
            Role = "synth-chord",
            Stages = Map<StageState>.Empty.With("buses", StageState.BehindTheCurtain),
            Plays = [Id("high-bellbuoy")],
            NoteProcessors = [new Arpeggio(ArpeggioOrder.UpAndDown, Ticks.PerQuarter / 2, 2, 70)],
            Patterns = [new("Lights", 4 * 1440 * 2, [new(0, 5760, 69, 70), new(0, 5760, 74, 70), new(0, 5760, 77, 70), new(5760, 5760, 67, 66), new(5760, 5760, 72, 66), new(5760, 5760, 76, 66)], ["landing"])],
            Note = "Chords in, broken upwards and back over two octaves: it plays the high bells.",
        }),
    ];

    /// <summary>A hall for the voices: fully wet, cut below and above.</summary>
    private static Edit[] Chapel() =>
    [
        Return("chapel", "Chapel", "mix-bus", 235, -8,
            new Insert(new("hall"), ProcessorCatalogue.Reverb) { Settings = Map<double>.Empty.With("decay-s", 2.4).With("damping-hz", 4500).With("pre-delay-quarters", 0.0625) },
            Equaliser(("low-cut", 1), ("low-cut-hz", 220), ("high-cut", 1), ("high-cut-hz", 9000))),
        Send("singers", "chapel", -10), Send("chorus", "chapel", -8), Send("narrator", "chapel", -22), Send("bellbuoy", "chapel", -18), Send("bells-and-gong", "chapel", -12),
    ];

    private static Edit[] Played() =>
    [
        new PutGroove(new("Rowing lilt", 1440, [new(0, 0, 106), new(480, 34, 92), new(960, 22, 98)])),
        new SetGroove(Id("tidewater"), "Rowing lilt"),
        new PutPatch(new(InstrumentCatalogue.Undertow, "Moored low", Map<double>.Empty.With("cutoff-hz", 240).With("sub-percent", 70))),
        new PutPatch(new(InstrumentCatalogue.Bellbuoy, "Far bells", Map<double>.Empty.With("bell-percent", 65).With("decay-ms", 4200))),
        .. new[] { "undertow", "bellbuoy", "high-bellbuoy" }.Select(id => (Edit)new SetNoteInput(Id(id), new() { KeptOut = Nuisances })),
        new SetNoteInput(Id("tidewater"), new() { KeptOut = Nuisances, Recording = NoteRecording.Adds, PadMap = [new(40, 38), new(41, 64)] }),
    ];

    private static Edit[] Waits() =>
    [
        new AddInsert(Id("singer-middle"), new(new("tune"), ProcessorCatalogue.PitchCorrection)
        { Settings = Map<double>.Empty.With("amount-percent", 70), ParkedIn = ["record"], WaitsFor = new(WaitReason.SongKey) }),
        new SetWaitsFor(Id("singers"), new("comp"), new(WaitReason.Person, "the three singers")),
        new SetOpening(new("write", [], "verse", Ticks.PerQuarter / 2)),
    ];

    private static AddChannel Spare(string id, string name, string under) =>
        new(new() { Id = Id(id), Name = name, Kind = ChannelKind.Audio, Destination = Id(under), Spare = true, Stages = Waiting });

    private static AddChannel Reference(string id, string name) => new(new()
    {
        Id = Id(id),
        Name = name,
        Kind = ChannelKind.Direct,
        OutputPair = 1,
        Role = "reference",
        Stages = Waiting.Without("mix"),
        Note = "Bring a WAVE file here; it goes around the main, straight to the speakers.",
    });
}
