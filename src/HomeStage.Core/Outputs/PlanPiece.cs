using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>What a plan must know of a piece, or of one of several microphones at it.</summary>
/// <param name="Family">Path in the family tree, "drums/toms".</param>
/// <param name="Importance">In [1, 9].</param>
/// <param name="Together">Those with the same word are planned as one; null for none.</param>
public sealed record PlanPiece(
    string Name, string Family, ChannelFormat Format = ChannelFormat.Mono, int Importance = 1, PieceStay Stay = PieceStay.ByPlan, string? Together = null)
{
    public static PlanPiece Of(KitLine line) => new(line.Name, line.Family, line.Microphone.Format, line.Microphone.Importance, line.Microphone.Stay, line.Microphone.Together);
}
