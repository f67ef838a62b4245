using HomeStage.Core.Automation;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using static HomeStage.Server.Demo.Parts;

namespace HomeStage.Server.Demo;

/// <summary>What moves in Night Ferry: prepared curves over its sections, and two levers and a chain.</summary>
internal static class FerryMovement
{
    /// <summary>The guitar's strip as one thing: nearer is tighter and thinner, rain drives the amplifier.</summary>
    private static readonly Chain WetRoad = new("wet-road", "Wet road", [new("eq"), new("comp"), new("amp")])
    {
        Controls =
        [
            new("nearer", "Nearer", 0, [new(new("comp"), "threshold-db", -20, -32), new(new("eq"), "low-cut-hz", 90, 180)]),
            new("rain", "Rain", 0, [new(new("amp"), "drive-db", 14, 34), new(new("amp"), "treble-db", 0, 6)]),
            new("under-cover", "Under cover", 0, [new(new("amp"), null, 0, 0.5)]),
        ],
    };

    public static IEnumerable<Edit> Edits() =>
    [
        // The pad comes in from far away and is close when the chorus begins.
        Over("gullwing", new InsertTarget(new("kept"), "gain-db"), "crossing", (0, -18), (0.6, -9), (1, 0)),
        Over("gullwing", new InsertTarget(new("eq"), "low-cut-hz"), "crossing", (0, 700), (1, 180)),
        // The narrator's echo answers more and more until the lines run into each other.
        Over("narrator", new SendTarget(Id("quayside")), "verse", (0, -30), (0.75, -22), (1, -14)),
        Over("singer-middle", new InsertTarget(new("kept"), "gain-db"), "landing", (0, 0), (0.5, -2), (1, -12)),
        new PutLever(new("fog", "Fog", 0,
        [
            new(Id("singers"), new SendTarget(Id("open-water")), -20, -8),
            new(Id("guitar"), new SendTarget(Id("quayside")), -24, -10),
            new(Id("bellbuoy"), new InsertTarget(new("eq"), "low-cut-hz"), 140, 420),
        ]) { Shapes = [new("landing", [new(0, 0), new(1, 1)])] }),
        new PutChain(Id("guitar"), WetRoad),
        new PutLever(new("tide", "Tide", 0.5, [new(Id("undertow"), new InstrumentTarget("cutoff-hz"), 240, 900), new(Id("drums"), new InsertTarget(new("comp"), "threshold-db"), -10, -20)])),
    ];
}
