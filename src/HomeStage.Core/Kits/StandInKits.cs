namespace HomeStage.Core.Kits;

/// <summary>The kits of the stand-in drum machines as they come: pieces, notes and outputs.</summary>
/// <remarks>Notes follow the General MIDI percussion map (from memory) where it has a piece of that kind.</remarks>
public static class StandInKits
{
    /// <summary>12 pieces of a common drum set over 10 mono outputs.</summary>
    public static readonly Kit Breakwater = new(
        [
            Piece.Pad("Kick", 36, "drums/kick", 2, DrumSound.Kick, importance: 3),
            Piece.Pad("Snare", 38, "drums/snare", 3, DrumSound.Snare, importance: 3),
            Piece.Pad("Rim", 37, "drums/snare", 3, DrumSound.RimClick),
            Piece.Pad("Clap", 39, "drums/hands", 4, DrumSound.Clap),
            Piece.Pad("Tom high", 48, "drums/toms", 5, DrumSound.HighTom),
            Piece.Pad("Tom low", 45, "drums/toms", 6, DrumSound.LowTom),
            Piece.Pad("Hat closed", 42, "drums/hats", 7, DrumSound.ClosedHat),
            Piece.Pad("Hat foot", 44, "drums/hats", 7, DrumSound.FootHat),
            Piece.Pad("Hat open", 46, "drums/hats", 7, DrumSound.OpenHat),
            Piece.Pad("Ride", 51, "drums/cymbals", 8, DrumSound.Ride),
            Piece.Pad("Crash", 49, "drums/cymbals", 9, DrumSound.Crash),
            Piece.Pad("Shaker", 82, "percussion/shakers", 10, DrumSound.Shaker),
        ],
        [
            new("The rest", ChannelFormat.Mono), new("Kick", ChannelFormat.Mono), new("Snare", ChannelFormat.Mono),
            new("Clap", ChannelFormat.Mono), new("Tom high", ChannelFormat.Mono), new("Tom low", ChannelFormat.Mono),
            new("Hats", ChannelFormat.Mono), new("Ride", ChannelFormat.Mono), new("Crash", ChannelFormat.Mono),
            new("Shaker", ChannelFormat.Mono),
        ]);

    /// <summary>14 pieces over 8 pairs.</summary>
    public static readonly Kit Tidewater = new(
        [
            Piece.Pad("Deep drum", 36, "drums/deep", 2, DrumSound.DeepDrum, importance: 3),
            Piece.Pad("Deep drum rim", 35, "drums/deep", 2, DrumSound.DeepDrumRim),
            Piece.Pad("Side drum", 38, "drums/side", 3, DrumSound.SideDrum, importance: 3),
            Piece.Pad("Side drum brush", 40, "drums/side", 3, DrumSound.BrushedDrum),
            Piece.Pad("Frame drum open", 64, "drums/frame", 4, DrumSound.FrameDrumOpen, 0.2),
            Piece.Pad("Frame drum slap", 62, "drums/frame", 4, DrumSound.FrameDrumSlap, 0.2),
            Piece.Pad("Clap", 39, "drums/hands", 5, DrumSound.Clap, -0.1),
            Piece.Pad("Shaker", 82, "percussion/shakers", 6, DrumSound.Shaker, -0.35),
            Piece.Pad("Sand block", 70, "percussion/shakers", 6, DrumSound.SandBlock, 0.35),
            Piece.Pad("Wood block high", 76, "percussion/wood", 7, DrumSound.HighWoodBlock, -0.25),
            Piece.Pad("Wood block low", 77, "percussion/wood", 7, DrumSound.LowWoodBlock, 0.25),
            Piece.Pad("Ship's bell", 53, "percussion/metal", 8, DrumSound.Bell, 0.1),
            Piece.Pad("Bell tree", 84, "percussion/metal", 8, DrumSound.BellTree, -0.2, format: ChannelFormat.Stereo),
            Piece.Pad("Gong", 52, "percussion/metal", 8, DrumSound.Gong, format: ChannelFormat.Stereo),
        ],
        [
            new("The rest", ChannelFormat.Stereo), new("Deep drum", ChannelFormat.Stereo), new("Side drum", ChannelFormat.Stereo),
            new("Frame drum", ChannelFormat.Stereo), new("Clap", ChannelFormat.Stereo), new("Shakers", ChannelFormat.Stereo),
            new("Wood blocks", ChannelFormat.Stereo), new("Bells and gong", ChannelFormat.Stereo),
        ]);

    /// <summary>22 pieces over 12 pairs: the same pieces on the same outputs, more bells on a pair of their own, toms and cymbals, and
    /// microphones above and down the hall that hear them all.</summary>
    public static readonly Kit TidewaterDeep = new(
        [
            .. Tidewater.Pieces,
            Piece.Pad("Bell low", 54, "percussion/metal/bells", 9, DrumSound.LowBell, -0.3),
            Piece.Pad("Bell high", 56, "percussion/metal/bells", 9, DrumSound.HighBell, 0.3),
            Piece.Pad("Hand bells", 80, "percussion/metal/bells", 9, DrumSound.HandBells, 0.15),
            Piece.Pad("Tom high", 48, "drums/toms", 10, DrumSound.HighTom, -0.3),
            Piece.Pad("Tom low", 45, "drums/toms", 10, DrumSound.LowTom, 0.3),
            Piece.Pad("Hat closed", 42, "drums/cymbals", 10, DrumSound.ClosedHat, 0.4),
            Piece.Pad("Ride", 51, "drums/cymbals", 10, DrumSound.Ride, 0.4),
            Piece.Pad("Crash", 49, "drums/cymbals", 10, DrumSound.Crash, -0.4),
        ],
        [
            .. Tidewater.Outputs, new("More bells", ChannelFormat.Stereo), new("Toms and cymbals", ChannelFormat.Stereo),
            new("Overheads", ChannelFormat.Stereo), new("Hall", ChannelFormat.Stereo),
        ])
    {
        Far =
        [
            FarMicrophone.Stereo("Overheads", "drums/overheads", 11, FarPlace.Overhead), FarMicrophone.Stereo("Hall", "drums/rooms", 12, FarPlace.Hall),
        ],
    };

    /// <summary>Four pieces to begin with, over eight mono outputs: a machine that is what its owner says.</summary>
    public static readonly Kit Own = new(
        [
            Piece.Pad("Kick", 36, "drums/kick", 1, DrumSound.Kick), Piece.Pad("Snare", 38, "drums/snare", 1, DrumSound.Snare),
            Piece.Pad("Clap", 39, "drums/hands", 1, DrumSound.Clap), Piece.Pad("Hat", 42, "drums/hats", 1, DrumSound.ClosedHat),
        ],
        [new("The rest", ChannelFormat.Mono), .. Enumerable.Range(2, 7).Select(n => new KitOutput($"Output {n}", ChannelFormat.Mono))]);

    /// <summary>Eight pads over four pairs, each waiting for a sound of one's own; until then a voice stands in.</summary>
    public static readonly Kit Flotsam = new(
        [
            Piece.Pad("Pad 1", 36, "pads", 1, DrumSound.Kick), Piece.Pad("Pad 2", 38, "pads", 2, DrumSound.Snare),
            Piece.Pad("Pad 3", 42, "pads", 3, DrumSound.ClosedHat), Piece.Pad("Pad 4", 46, "pads", 3, DrumSound.OpenHat),
            Piece.Pad("Pad 5", 39, "pads", 2, DrumSound.Clap), Piece.Pad("Pad 6", 37, "pads", 4, DrumSound.RimClick),
            Piece.Pad("Pad 7", 82, "pads", 4, DrumSound.Shaker), Piece.Pad("Pad 8", 76, "pads", 4, DrumSound.HighWoodBlock),
        ],
        [
            new("Pads 1", ChannelFormat.Stereo), new("Pads 2 and 5", ChannelFormat.Stereo),
            new("Pads 3 and 4", ChannelFormat.Stereo), new("Pads 6 to 8", ChannelFormat.Stereo),
        ]);
}
