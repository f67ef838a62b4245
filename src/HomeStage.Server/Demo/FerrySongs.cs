using HomeStage.Core.Editing;
using HomeStage.Core.Starting;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Server.Demo;

/// <summary>Five songs that the demo company has made of Night Ferry. They agree in four things, and each goes its own way in others.</summary>
internal static class FerrySongs
{
    public static IReadOnlyList<(SongWish Wish, Edit[] Edits)> All { get; } =
    [
        (new("Lantern on the Slipway") { TempoBpm = 84, Key = new(-1, Minor: true) }, [Level("bass", -4.5), Level("guitars", -1), Gone("high-bellbuoy"), Tambourine()]),
        (new("Mudlark’s Wages") { TempoBpm = 80, Key = new(-1, Minor: true) }, [Level("bass", -5), Gone("high-bellbuoy"), Tambourine(), Level("clap", -5), Kept("undertow", Sketch.Line("Mud", Sketch.Eighth, 12, ["chorus"], (0, 2, 38, 96), (3, 1, 38, 80), (4, 1, 41, 84), (6, 3, 36, 96), (10, 2, 33, 88)))]),
        (new("Cold Berth") { TempoBpm = 86, Key = new(2, Minor: false) }, [Level("bass", -6), Level("guitars", -5), Tambourine()]),
        (new("Nine Bells, Nobody Aboard") { TempoBpm = 78, Key = new(-3, Minor: true) }, [Level("bass", -4), Gone("high-bellbuoy"), new SetMute(new("driftwood"), true)]),
        (new("The Pilot’s Sister") { Key = new(-1, Minor: true) }, [Level("bass", -1), Level("voices", -2)]),
    ];

    private static SetLevel Level(string channel, double db) => new(new(channel), new(db));

    private static RemoveChannel Gone(string channel) => new(new ChannelId(channel));

    private static PutPattern Kept(string channel, Pattern idea) => new(new(channel), idea);

    private static MakeChannel Tambourine() => new(new(ChannelKind.Audio) { Name = "Tambourine", Under = new("drums") });
}
