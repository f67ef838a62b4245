namespace HomeStage.Core.Kits;

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
