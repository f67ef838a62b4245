using System.Collections.Frozen;
using HomeStage.Core.Controls;
using HomeStage.Core.Kits;

namespace HomeStage.Core.Catalogue;

/// <summary>The stand-in instruments that ship with the application.</summary>
public static class InstrumentCatalogue
{
    public const string Breakwater = "breakwater-kit";
    public const string Tidewater = "tidewater-kit";
    public const string Undertow = "undertow";
    public const string Bellbuoy = "bellbuoy";
    public const string TidewaterDeep = "tidewater-kit-deep";
    public const string Gullwing = "gullwing";
    public const string Driftwood = "driftwood";
    public const string Reedbox = "reedbox";
    public const string Squall = "squall";
    public const string Flotsam = "flotsam";
    public const string OwnMachine = "own-machine";
    public const string KeyTone = "key-tone";
    public const string CountInTick = "count-in-tick";

    public static readonly Sequence<InstrumentKind> All =
    [
        new(Breakwater, "Breakwater Kit", "a common drum set", [], StandInKits.Breakwater) { Role = "percussion", CalibrationDb = 3.2, SharePercent = 0.4, CalibrationQuarters = 0.5 },
        new(Tidewater, "Tidewater Kit", "deep drums, wood, metal", [], StandInKits.Tidewater) { Role = "percussion", CalibrationDb = 0.4, SharePercent = 0.3, CalibrationQuarters = 0.5 },
        new(TidewaterDeep, "Tidewater Kit Deep", "the same with far microphones and more bells", [], StandInKits.TidewaterDeep)
        { Role = "percussion", SharePercent = 0.6, CalibrationDb = 0.3, CalibrationQuarters = 0.5 },
        new(Undertow, "Undertow", "a round bass",
        [
            new("cutoff-hz", "Brightness", Unit.Hertz, 80, 6000, 10, 420),
            new("bite-percent", "Bite", Unit.Percent, 0, 100, 1, 45),
            new("sub-percent", "Low layer", Unit.Percent, 0, 100, 1, 50),
            new("release-ms", "Release", Unit.Milliseconds, 10, 1000, 10, 90),
        ]) { Role = "bass", CalibrationDb = 2.7, SharePercent = 0.8, CalibrationNotes = [36, 43, 40, 48] },
        new(Bellbuoy, "Bellbuoy", "keys with a bell",
        [
            new("bell-percent", "Bell", Unit.Percent, 0, 100, 1, 40),
            new("decay-ms", "Decay", Unit.Milliseconds, 200, 8000, 100, 2600),
            new("sway-percent", "Sway", Unit.Percent, 0, 100, 1, 25),
            new("release-ms", "Release", Unit.Milliseconds, 20, 2000, 10, 240),
        ]) { Role = "keys", CalibrationDb = 4.3, SharePercent = 1.4, CalibrationNotes = [60, 64, 67, 72] },
        new(Gullwing, "Gullwing", "a slow, wide pad",
        [
            new("brightness-hz", "Brightness", Unit.Hertz, 200, 8000, 10, 1400),
            new("drift-percent", "Drift", Unit.Percent, 0, 100, 1, 40),
            new("attack-ms", "Attack", Unit.Milliseconds, 10, 4000, 10, 600),
            new("release-ms", "Release", Unit.Milliseconds, 50, 8000, 10, 1800),
        ]) { Role = "synth-pad", CalibrationDb = 12.0, SharePercent = 1.5, CalibrationNotes = [48, 55, 60, 64], CalibrationQuarters = 4 },
        new(Driftwood, "Driftwood", "a plucked string",
        [
            new("decay-ms", "Decay", Unit.Milliseconds, 200, 12000, 100, 3200),
            new("brightness-percent", "Brightness", Unit.Percent, 0, 100, 1, 55),
            new("release-ms", "Release", Unit.Milliseconds, 20, 4000, 10, 300),
        ]) { Role = "acoustic-guitar", CalibrationDb = 4.9, SharePercent = 0.6, CalibrationNotes = [52, 59, 64, 67] },
        new(Reedbox, "Reedbox", "a small reed organ",
        [
            new("beat-hz", "Beat of the ranks", Unit.Hertz, 0, 6, 0.1, 1.4),
            new("low-rank-percent", "Low rank", Unit.Percent, 0, 100, 1, 30),
            new("shake-percent", "Shake", Unit.Percent, 0, 100, 1, 25),
        ]) { Role = "organ", CalibrationDb = -1.5, SharePercent = 0.6, CalibrationNotes = [55, 60, 64, 67], CalibrationQuarters = 2 },
        new(Squall, "Squall", "a rising wind",
        [
            new("rise-octaves", "Rise", Unit.Octaves, 0, 7, 0.5, 5),
            new("whistle-percent", "Whistle", Unit.Percent, 0, 100, 1, 30),
            new("release-ms", "Release", Unit.Milliseconds, 10, 4000, 10, 250),
        ]) { Role = "effect", CalibrationDb = 4.8, SharePercent = 1, CalibrationNotes = [60], CalibrationQuarters = 8 },
        new(Flotsam, "Flotsam", "plays sounds of your own", [], StandInKits.Flotsam) { Role = "percussion", CalibrationDb = 9.8, SharePercent = 0.3, CalibrationQuarters = 0.5 },
        new(OwnMachine, "Own machine", "pieces and jacks of your own", [], StandInKits.Own)
        { Role = "percussion", CalibrationDb = 4.4, SharePercent = 0.4, CalibrationQuarters = 0.5, HasJacksOfItsOwn = true },
        new(KeyTone, "Key tone", "a plain key tone",
        [
            new("tone-hz", "Tone", Unit.Hertz, 20, 2000, 1, 100),
            new("level-db", "Level", Unit.Decibels, -40, 0, 0.5, -6),
            new("attack-ms", "Attack", Unit.Milliseconds, 0, 100, 0.1, 0),
            new("hold-ms", "Hold, 0 as long as the note", Unit.Milliseconds, 0, 2000, 1, 0),
            new("release-ms", "Release", Unit.Milliseconds, 0, 2000, 1, 0),
        ]) { Role = "synth-lead", SharePercent = 0.4 },
        new(CountInTick, "Count-in tick", "a dry wooden tick", []) { Role = "count-in", SharePercent = 0.4 },
    ];

    public static InstrumentKind? Find(string id) => ById.GetValueOrDefault(id);

    private static FrozenDictionary<string, InstrumentKind> ById { get; } = All.ToFrozenDictionary(i => i.Id, StringComparer.Ordinal);
}
