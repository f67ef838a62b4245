using HomeStage.Core.Timing;

namespace HomeStage.Server.Demo;

/// <summary>What the players of Night Ferry play until somebody writes something better.</summary>
internal static class FerryPatterns
{
    private const int SixEight = 3 * Ticks.PerQuarter;
    private static readonly string[] Quiet = ["intro", "landing"];
    private static readonly string[] Verse = ["verse"];
    private static readonly string[] Crossing = ["crossing"];
    private static readonly string[] Chorus = ["chorus"];

    private static readonly int[] Dm = [62, 65, 69];
    private static readonly int[] Bb = [58, 62, 65];
    private static readonly int[] F = [60, 65, 69];
    private static readonly int[] C = [60, 64, 67];
    private static readonly int[] Gm = [58, 62, 67];
    private static readonly int[] A = [57, 61, 64];

    public static Pattern[] Kit() =>
    [
        Sketch.Beats("Quiet water", Sketch.Eighth, Quiet,
            (36, "x..... ......"), (82, "o..o.. o..o.."), (53, "...... ...o.."), (70, "..o..o ..o..o")),
        Sketch.Beats("Rowing", Sketch.Eighth, Verse,
            (36, "X....x x...x."), (38, "...x.. ...x.o"), (82, "xooxoo xooxoo"), (64, "..o... ..o.x."), (76, "...... .....o"), (40, ".o..o. .o....")),
        Sketch.Beats("Engine room", Sketch.Sixteenth, Crossing,
            (36, "X... ..x. x... ...."), (38, ".... x... .... x..o"), (62, "..o. ..o. .o.. ..o."), (76, "x... .... ..x. ...."), (77, "...x .... .... x..."), (70, "o.o. o.o. o.o. o.o.")),
        Sketch.Beats("Full ahead", Sketch.Eighth, Chorus,
            (36, "X..x.x X..xx."), (38, "...X.. ...X.x"), (39, "...x.. ...x.."), (82, "XooXoo XooXoo"), (64, "..x..o ..x.x."), (77, ".o...o .o...o"), (53, "x..... ......")),
        Sketch.Beats("Gong on the pier", SixEight, Chorus, (52, "o......."), (84, "....o...")),
    ];

    public static Pattern[] Bass() =>
    [
        Sketch.Line("Moored", Sketch.Eighth, 24, Quiet, (0, 5, 38, 84), (6, 5, 34, 84), (12, 5, 41, 84), (18, 5, 36, 84)),
        Sketch.Line("Verse line", Sketch.Eighth, 24, Verse,
            (0, 2.6, 38, 100), (3, 1, 38, 76), (5, 1, 36, 82), (6, 2.6, 34, 100), (9, 1, 34, 76), (11, 1, 33, 82),
            (12, 2.6, 29, 100), (15, 1, 29, 76), (17, 1, 33, 82), (18, 2.6, 36, 100), (21, 1, 36, 76), (22, 1, 33, 80), (23, 1, 36, 86)),
        Sketch.Line("Crossing line", Sketch.Eighth, 16, Crossing,
            (0, 1.5, 38, 104), (2, 1, 38, 74), (3, 1, 41, 84), (4, 1.5, 38, 96), (6, 1, 36, 82), (7, 1, 34, 80),
            (8, 1.5, 31, 104), (10, 1, 31, 74), (11, 1, 34, 84), (12, 1.5, 33, 98), (14, 1, 33, 80), (15, 1, 37, 86)),
        Sketch.Line("Chorus line", Sketch.Eighth, 24, Chorus,
            (0, 2, 31, 108), (2, 1, 38, 80), (3, 2, 31, 92), (5, 1, 34, 84), (6, 2, 38, 108), (8, 1, 45, 80), (9, 2, 38, 92), (11, 1, 36, 84),
            (12, 2, 34, 108), (14, 1, 41, 80), (15, 2, 34, 92), (17, 1, 36, 84), (18, 2, 33, 108), (20, 1, 40, 80), (21, 2, 33, 92), (23, 1, 37, 88)),
    ];

    public static Pattern[] Keys() =>
    [
        Sketch.Held("Lamps", SixEight, Quiet, Dm, Bb, F, C),
        Sketch.Broken("Ripples", Sketch.Eighth, 6, Verse, Dm, Bb, F, C),
        Sketch.Held("Searchlight", 4 * Ticks.PerQuarter, Crossing, Dm, Gm, Dm, A),
        Sketch.Broken("Wake", Sketch.Eighth, 6, Chorus, Gm, Dm, Bb, A),
    ];

    public static Pattern[] HighKeys() =>
    [
        Sketch.Line("Gulls", Sketch.Eighth, 48, [.. Verse, .. Chorus],
            (9, 2, 81, 64), (11, 1, 79, 56), (21, 3, 77, 60), (33, 2, 84, 66), (35, 1, 81, 58), (42, 2, 79, 60), (45, 3, 76, 62)),
    ];

    public static Pattern[] Pad() => [Sketch.Held("Fog", SixEight, Verse, Dm, Bb, F, C), Sketch.Held("Fog lifts", SixEight, Chorus, Gm, Dm, Bb, A)];

    public static Pattern[] Plucks() => [Sketch.Broken("Rigging", Sketch.Eighth, 6, Chorus, Gm, Dm, Bb, A), Sketch.Broken("Rigging, quieter", Sketch.Eighth, 3, Quiet, Dm, Bb, F, C)];

    public static Pattern[] Reeds() => [Sketch.Held("Foghorns", 4 * Ticks.PerQuarter, Crossing, Dm, Gm, Dm, A), Sketch.Held("Harbour mass", SixEight, Chorus, Gm, Dm, Bb, A)];

    public static Pattern Pulse() => Sketch.Line("Felt beat", 3 * Sketch.Eighth, 1, [], (0, 1.0 / 6, 60, 100));

    public static Pattern CountIn() => Sketch.Beats("Two and lift", Sketch.Eighth, ["intro"], (76, "XooxooXooxoo............"));
}
