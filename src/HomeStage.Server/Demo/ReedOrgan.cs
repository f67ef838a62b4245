using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.Server.Demo.Parts;

namespace HomeStage.Server.Demo;

/// <summary>The small one for two singers and an organ before two microphones, on devices that are heard through stand-ins.</summary>
internal static class ReedOrgan
{
    public const string Name = "Two Voices and a Reed Organ";

    /// <summary>At 48 kHz.</summary>
    private const int Rate = 48000;

    public static readonly OutsideDevice LanternKeys = new("Lantern Keys")
    {
        Maker = "Saltmarsh Workshop",
        Format = "CLAP",
        DeviceId = "saltmarsh.lantern-keys",
        Preset = "Low wick",
        Latency = new(0, Rate),
        Weight = new(1.4, 180, 1.2),
        Outputs = [new("Keys", ChannelFormat.Stereo)],
        Controls = [new("wick", "Wick", Unit.Percent, 0, 100, 35) { Note = "Above 60 it covers the second voice." }, new("glass", "Glass", Unit.Choice, 0, 2, 0) { Options = ["Clear", "Green", "Smoked"] }],
    };

    public static readonly OutsideDevice GullChoir = new("Gull Choir")
    {
        Maker = "Saltmarsh Workshop",
        Format = "VST3",
        DeviceId = "5a1e5a1e00000000000000000000c401",
        Preset = "Far rock",
        Latency = new(0, Rate),
        Weight = new(3.8, 900, 6.5),
        Outputs = [new("Choir", ChannelFormat.Stereo)],
    };

    public static readonly OutsideDevice KeelTuner = new("Keel Tuner")
    {
        Maker = "Estuary Tools",
        Format = "VST3",
        DeviceId = "5a1e5a1e00000000000000000000ee17",
        Latency = new(1536, Rate),
        Weight = new(0.9, 60, 0.4),
        Controls = [new("pull", "Pull", Unit.Percent, 0, 100, 50)],
    };

    public static readonly OutsideDevice OldWinch = new("Old Winch") { Maker = "Estuary Tools", Format = "hardware", Key = KeyWidth.Mono, Latency = new(64, Rate), Weight = new(0.4) };

    public static readonly OutsideDevice SlowTide = new("Slow Tide") { Maker = "Estuary Tools", Format = "VST3", DeviceId = "5a1e5a1e00000000000000000000a110", Preset = "Chapel", Latency = new(0, Rate), Weight = new(2.2, 240, 0.9) };

    private static readonly int[][] Chords = [[50, 57, 62], [46, 53, 58], [48, 55, 60], [45, 52, 57]];

    public static Edit[] Edits() =>
    [
        .. CastLists.Read(Name, "two-voices.txt"),
        new Describe(Name, "Songs", ["small", "two voices", "organ"],
            "Two singers, and an organ before two microphones. Keel Tuner is too late to sing through: park it while recording. Everything that is not ours is heard through a stand-in."),
        new AddInsert(EmptyStage.Main, Limiter(5, -1)),
        new SetOutputPair(EmptyStage.Main, 1, "Near"),
        new AddInsert(Id("voices"), Compressor(-18, 2)),
        Strip("first-voice", Equaliser(("low-cut", 1), ("low-cut-hz", 90)), Meant("tuner", ProcessorCatalogue.PitchCorrection, KeelTuner), Meant("winch", ProcessorCatalogue.Compressor, OldWinch)),
        Strip("second-voice", Equaliser(("low-cut", 1), ("low-cut-hz", 110)), Meant("winch", ProcessorCatalogue.Compressor, OldWinch)),
        Strip("organ-close", Equaliser(("low-cut", 1), ("low-cut-hz", 60))),
        Strip("chapel", Meant("tide", ProcessorCatalogue.Reverb, SlowTide)),
        new PutPattern(Id("lantern-keys"), Sketch.Held("Held chords", 4 * Ticks.PerQuarter, [], Chords)),
        new SetDevice(Id("lantern-keys"), null, LanternKeys),
        new PutPattern(Id("gull-choir"), Sketch.Held("Choir", 4 * Ticks.PerQuarter, ["refrain"], Chords)),
        new SetDevice(Id("gull-choir"), null, GullChoir),
        new PutPattern(Id("count-in"), Sketch.Beats("Two bars", Sketch.Eighth, ["verse"], (60, "X.x. x.x. X.x. x.x."))),
        Send("first-voice", "chapel", -12), Send("second-voice", "chapel", -12), Send("organ-close", "chapel", -18), Send("gull-choir", "chapel", -10, open: false),
        .. new[] { ("first-voice", 1), ("second-voice", 2), ("organ-close", 3), ("organ-far", 7) }
            .Select(x => (Edit)new SetSource(Id(x.Item1), new InputSource(x.Item2, Monitored: true, Armed: true) { FirstName = HarbourRoom.InputName(x.Item2) })),
        new SetOutputPair(Id("count-in"), 3, "Phones"),
    ];

    private static Insert Meant(string id, string standIn, OutsideDevice device) => new(new(id), standIn) { Device = device };
}
