namespace HomeStage.Core.Kits;

/// <summary>What hears a kit and leaves by one of its outputs.</summary>
/// <param name="Name">Which of those at its piece it is: "top"; empty for the only one.</param>
/// <param name="Output">Number of the output that it leaves by, from 1.</param>
/// <param name="Pan">Where it stands, in [−1, 1]: in a stereo output by itself; a mono one has no sides, so its channel is turned there instead.</param>
public sealed record Microphone(string Name, int Output, double Pan = 0)
{
    public const int MostImportance = 9;

    /// <summary>More of a neighbour than of its own piece no close microphone hears.</summary>
    public const double MostOfNeighboursDb = 0;

    public const double LeastOfNeighboursDb = -60;

    /// <summary>Whether it needs two sides when it leaves alone.</summary>
    public ChannelFormat Format { get; init; } = ChannelFormat.Mono;

    /// <summary>How much it matters that it is kept apart, in [1, 9].</summary>
    public int Importance { get; init; } = 1;

    /// <summary>What a person has said of its place.</summary>
    public PieceStay Stay { get; init; }

    /// <summary>Those with the same word here are planned as one; null for none.</summary>
    public string? Together { get; init; }

    /// <summary>Whether it sounds on the first output as well.</summary>
    public bool AlsoOnFirst { get; init; }

    /// <summary>How loud it hears every other piece beside its own, in dB, in [−60, 0]; null for not at all. A far microphone hears all alike.</summary>
    public double? NeighboursDb { get; init; }

    /// <summary>Numbers of every output that it sounds on, in their order.</summary>
    internal IEnumerable<int> SoundsOn() => AlsoOnFirst && Output != 1 ? [1, Output] : [Output];
}

/// <summary>A microphone that hears every hit, later and from afar.</summary>
/// <param name="Family">Where it stands in the family tree: "drums/overheads".</param>
public sealed record FarMicrophone(string Family, FarPlace Place, Microphone Microphone)
{
    /// <param name="output">Number of the output, from 1.</param>
    public static FarMicrophone Stereo(string name, string family, int output, FarPlace place) =>
        new(family, place, new(name, output) { Format = ChannelFormat.Stereo });
}

/// <summary>Where a far microphone stands.</summary>
public enum FarPlace
{
    /// <summary>Above the whole set.</summary>
    Overhead,

    /// <summary>Far down the hall.</summary>
    Hall,
}

/// <summary>What a person has said of the place of a piece, or of one of its microphones.</summary>
public enum PieceStay
{
    /// <summary>The plan decides.</summary>
    ByPlan,

    /// <summary>It keeps an output to itself.</summary>
    Alone,

    /// <summary>It stays on the first output, on the instrument's own channel.</summary>
    OnFirst,
}
