using HomeStage.Core.Automation;
using HomeStage.Core.Editing;
using static HomeStage.Server.Demo.Parts;

namespace HomeStage.Server.Demo;

/// <summary>What moves in Night Ferry: prepared curves over its sections, and two levers.</summary>
internal static class FerryMovement
{
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
        new PutLever(new("tide", "Tide", 0.5, [new(Id("undertow"), new InstrumentTarget("cutoff-hz"), 240, 900), new(Id("drums"), new InsertTarget(new("comp"), "threshold-db"), -10, -20)])),
    ];
}
