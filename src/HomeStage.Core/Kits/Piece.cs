using HomeStage.Core.Media;

namespace HomeStage.Core.Kits;

/// <summary>One sound of a kit that a note plays.</summary>
/// <param name="Note">MIDI note number, in [0, 127]; unique in the kit.</param>
/// <param name="Family">Path from the general to the particular, parted by slashes: "drums/toms".</param>
/// <param name="Output">Number of the output it leaves by, from 1.</param>
/// <param name="Sound">The stand-in's voice for it.</param>
/// <param name="Pan">Where it stands in a stereo output, in [−1, 1].</param>
/// <param name="Sample">Uploaded sound that plays in place of the voice; null for the voice.</param>
public sealed record Piece(string Name, int Note, string Family, int Output, DrumSound Sound, double Pan = 0, MediaRef? Sample = null);

/// <summary>The voices that the stand-in kits can play.</summary>
public enum DrumSound
{
    Kick,
    DeepDrum,
    DeepDrumRim,
    Snare,
    SideDrum,
    BrushedDrum,
    RimClick,
    Clap,
    ClosedHat,
    OpenHat,
    FootHat,
    HighTom,
    LowTom,
    FrameDrumOpen,
    FrameDrumSlap,
    Ride,
    Crash,
    Shaker,
    SandBlock,
    HighWoodBlock,
    LowWoodBlock,
    Bell,
    BellTree,
    Gong,
    LowBell,
    HighBell,
    HandBells,
}
