using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Catalogue;

/// <summary>The stand-in instruments that ship with the application.</summary>
public static class InstrumentCatalogue
{
    public const string Breakwater = "breakwater-kit";
    public const string Tidewater = "tidewater-kit";
    public const string Undertow = "undertow";
    public const string Bellbuoy = "bellbuoy";
    public const string KeyTone = "key-tone";
    public const string CountInTick = "count-in-tick";

    public static readonly Sequence<InstrumentKind> All =
    [
        new(Breakwater, "Breakwater Kit", "a common drum set", [], StandInKits.Breakwater) { Role = "percussion", SharePercent = 0.4 },
        new(Tidewater, "Tidewater Kit", "deep drums, wood, metal", [], StandInKits.Tidewater) { Role = "percussion", SharePercent = 0.3 },
        new(Undertow, "Undertow", "a round bass",
        [
            new("cutoff-hz", "Brightness", Unit.Hertz, 80, 6000, 10, 420),
            new("bite-percent", "Bite", Unit.Percent, 0, 100, 1, 45),
            new("sub-percent", "Low layer", Unit.Percent, 0, 100, 1, 50),
            new("release-ms", "Release", Unit.Milliseconds, 10, 1000, 10, 90),
        ]) { Role = "bass", SharePercent = 0.8 },
        new(Bellbuoy, "Bellbuoy", "keys with a bell",
        [
            new("bell-percent", "Bell", Unit.Percent, 0, 100, 1, 40),
            new("decay-ms", "Decay", Unit.Milliseconds, 200, 8000, 100, 2600),
            new("sway-percent", "Sway", Unit.Percent, 0, 100, 1, 25),
            new("release-ms", "Release", Unit.Milliseconds, 20, 2000, 10, 240),
        ]) { Role = "keys", SharePercent = 1.4 },
        new(KeyTone, "Key tone", "a plain key tone",
        [
            new("tone-hz", "Tone", Unit.Hertz, 20, 2000, 1, 100),
            new("level-db", "Level", Unit.Decibels, -40, 0, 0.5, -6),
        ]) { Role = "synth-lead", SharePercent = 0.4 },
        new(CountInTick, "Count-in tick", "a dry wooden tick", []) { Role = "count-in", SharePercent = 0.4 },
    ];

    public static InstrumentKind? Find(string id) => All.FirstOrDefault(i => i.Id == id);
}
