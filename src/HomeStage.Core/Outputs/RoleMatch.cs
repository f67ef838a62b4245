using HomeStage.Core.Kits;
using HomeStage.Core.Roles;

namespace HomeStage.Core.Outputs;

/// <summary>Finds the old piece that a new one stands in for.</summary>
internal sealed class RoleMatch(Kit old)
{
    // What the reader says of most things that are struck; it tells two of them not apart.
    private static readonly string[] Vague = [RoleNames.Unknown, "percussion", "drum-bus"];

    /// <returns>Null where no old piece is of its kind or near it.</returns>
    public (Piece Piece, SwapReason Reason)? Of(Piece piece) =>
        ByName(piece) is { } same ? (same, SwapReason.Role)
        : ByRole(piece) is { } alike ? (alike, SwapReason.Role)
        : old.Pieces.FirstOrDefault(p => FamilyTree.Distance(p.Family, piece.Family) == 2) is { } sibling ? (sibling, SwapReason.Family)
        : Near(piece) is { } near ? (near, SwapReason.NearFamily)
        : null;

    private Piece? ByName(Piece piece) => old.Pieces.FirstOrDefault(p => p.Name.Equals(piece.Name, StringComparison.OrdinalIgnoreCase) && (p.Hears == Microphone.Close) == (piece.Hears == Microphone.Close));

    /// <summary>By what the name says, where it says something particular and one old piece says the same.</summary>
    private Piece? ByRole(Piece piece)
    {
        var role = RoleReader.Read(piece.Name).Role;
        return Vague.Contains(role) ? null : old.Pieces.Where(p => RoleReader.Read(p.Name).Role == role).OrderBy(p => FamilyTree.Distance(p.Family, piece.Family)).FirstOrDefault();
    }

    /// <summary>An ancestor or a descendant in the tree, below its first branching.</summary>
    private Piece? Near(Piece piece) =>
        old.Pieces.Where(p => FamilyTree.Lowest([p.Family, piece.Family]).Count is >= 2 and var shared
                && shared == Math.Min(FamilyTree.Parts(p.Family).Count, FamilyTree.Parts(piece.Family).Count))
            .OrderBy(p => FamilyTree.Distance(p.Family, piece.Family)).FirstOrDefault();
}
