using HomeStage.Core.Media;

namespace HomeStage.Core.Kits;

/// <summary>One sound of a kit: what a note plays, or a microphone that hears all that is played.</summary>
/// <param name="Note">MIDI note number, in [0, 127], unique in the kit; null for a microphone.</param>
/// <param name="Family">Path from the general to the particular, parted by slashes: "drums/toms".</param>
/// <param name="Output">Number of the output it leaves by, from 1.</param>
/// <param name="Sound">The stand-in's voice for it; null for a microphone.</param>
/// <param name="Pan">Where it stands in a stereo output, in [−1, 1].</param>
/// <param name="Sample">Uploaded sound that plays in place of the voice; null for the voice.</param>
public sealed record Piece(string Name, int? Note, string Family, int Output, DrumSound? Sound, double Pan = 0, MediaRef? Sample = null)
{
    public const int MostImportance = 9;

    /// <summary>Other sounds for harder strokes, by ascending velocity; <see cref="Sample"/> plays below the first of them.</summary>
    public Sequence<SampleLayer> Layers { get; init; } = [];

    /// <summary>Whether it needs two sides when it leaves alone.</summary>
    public ChannelFormat Format { get; init; } = ChannelFormat.Mono;

    /// <summary>How much it matters that it is kept apart, in [1, 9].</summary>
    public int Importance { get; init; } = 1;

    /// <summary>What a person has said of its place.</summary>
    public PieceStay Stay { get; init; }

    /// <summary>Close for a piece that is struck; otherwise where the microphone stands.</summary>
    public Microphone Hears { get; init; }

    /// <summary>Whether it sounds on the first output as well.</summary>
    public bool AlsoOnFirst { get; init; }

    /// <summary>The piece with another sound, and as many sides as the widest of its sounds has; what a person said of its width otherwise stays.</summary>
    public Piece Playing(MediaRef? sound)
    {
        var playing = this with { Sample = sound };
        return playing.Sample is null && playing.Layers.Count == 0 ? playing : playing with { Format = playing.WidthOfSounds };
    }

    private ChannelFormat WidthOfSounds => Layers.Select(l => l.Sample).Append(Sample).Any(s => s?.Lanes == 2) ? ChannelFormat.Stereo : ChannelFormat.Mono;

    /// <summary>A microphone that hears every hit, later and from afar.</summary>
    public static Piece Far(string name, string family, int output, Microphone hears) =>
        new(name, null, family, output, null) { Format = ChannelFormat.Stereo, Hears = hears };
}

/// <summary>A sound that plays from a velocity up.</summary>
/// <param name="FromVelocity">In [2, 127].</param>
public sealed record SampleLayer(int FromVelocity, MediaRef Sample);

/// <summary>What a person has said of a piece's place.</summary>
public enum PieceStay
{
    /// <summary>The plan decides.</summary>
    ByPlan,

    /// <summary>It keeps an output to itself.</summary>
    Alone,

    /// <summary>It stays on the first output, on the instrument's own channel.</summary>
    OnFirst,
}

/// <summary>Where a microphone stands.</summary>
public enum Microphone
{
    /// <summary>At the piece, which it hears alone.</summary>
    Close,

    /// <summary>Above the whole set.</summary>
    Overhead,

    /// <summary>Far down the hall.</summary>
    Hall,
}

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
