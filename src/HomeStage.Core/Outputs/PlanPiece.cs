using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>What a plan must know of a piece, or of one of several microphones at it.</summary>
/// <param name="Family">Path in the family tree, "drums/toms".</param>
/// <param name="Importance">In [1, 9].</param>
public sealed record PlanPiece(string Name, string Family, ChannelFormat Format = ChannelFormat.Mono, int Importance = 1, PieceStay Stay = PieceStay.ByPlan)
{
    public static PlanPiece Of(KitLine line) => new(line.Name, line.Family, line.Microphone.Format, line.Microphone.Importance, line.Microphone.Stay);
}

/// <summary>How the jacks of an instrument are used.</summary>
public enum JackUse
{
    /// <summary>Every output is a pair.</summary>
    Pairs,

    /// <summary>A run of mono pieces takes half a pair, hard left or hard right of it.</summary>
    Halves,

    /// <summary>Every output is a single jack.</summary>
    Singles,
}
