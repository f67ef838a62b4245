using HomeStage.Core.Kits;
using HomeStage.Core.Roles;

namespace HomeStage.Core.Outputs;

/// <summary>Which line of a new kit stands in for which of the old one, one to one.</summary>
/// <remarks>Of all such pairings the one with the most equal roles; of those the one with the most equal names, then with the most equal
/// families, then with the most pairs, then with the least distance in the tree, then the one that keeps the order best (the least sum of
/// differences of places). What shares neither role, name nor family, and does not stand above or below the other in the tree, is no pair;
/// nor are a close microphone and a far one.</remarks>
public static class KitMatch
{
    // Each outweighs the greatest sum of all that come after it, for as many lines as a kit may have.
    private const long OfPlaces = 1;
    private const long OfDistance = 40_000;
    private const long OfPairs = 1_000_000_000;
    private const long OfFamilies = 200_000_000_000;
    private const long OfNames = 40_000_000_000_000;
    private const long OfRoles = 8_000_000_000_000_000;

    /// <returns>By line of the new kit the old line, and what they share; null for none.</returns>
    public static (KitLine Line, SwapReason Reason)?[] Of(IReadOnlyList<KitLine> old, IReadOnlyList<KitLine> next)
    {
        var likeness = Likenesses(old, next);
        var best = Assignment.Best(next.Count, old.Count, (n, o) => likeness[n, o].Worth);
        return [.. best.Select((o, n) => o < 0 ? ((KitLine, SwapReason)?)null : (old[o], likeness[n, o].Reason))];
    }

    /// <returns>By new and old line what the pair is worth, and the first thing that they share.</returns>
    internal static (long Worth, SwapReason Reason)[,] Likenesses(IReadOnlyList<KitLine> old, IReadOnlyList<KitLine> next)
    {
        var (oldRoles, nextRoles) = (RolesOf(old), RolesOf(next));
        var all = new (long, SwapReason)[next.Count, old.Count];
        for (var n = 0; n < next.Count; n++)
            for (var o = 0; o < old.Count; o++)
                if ((next[n].Piece is null) == (old[o].Piece is null))
                    all[n, o] = Likeness(old[o], next[n], oldRoles[o] is { } role && role == nextRoles[n], Math.Abs(n - o));
        return all;
    }

    private static (long, SwapReason) Likeness(KitLine old, KitLine next, bool sameRole, int apart)
    {
        var distance = FamilyTree.Distance(old.Family, next.Family);
        var sameName = old.Name.Equals(next.Name, StringComparison.OrdinalIgnoreCase);
        var sameFamily = distance == 2;
        if (!sameRole && !sameName && !sameFamily && !IsNear(old.Family, next.Family))
            return default;
        var worth = (sameRole ? OfRoles : 0) + (sameName ? OfNames : 0) + (sameFamily ? OfFamilies : 0) + OfPairs - distance * OfDistance - apart * OfPlaces;
        return (worth, sameRole || sameName ? SwapReason.Role : sameFamily ? SwapReason.Family : SwapReason.NearFamily);
    }

    /// <summary>An ancestor or a descendant in the tree, below its first branching.</summary>
    internal static bool IsNear(string one, string other) => FamilyTree.Lowest([one, other]).Count is >= 2 and var shared
        && shared == Math.Min(FamilyTree.Parts(one).Count, FamilyTree.Parts(other).Count);

    private static string?[] RolesOf(IReadOnlyList<KitLine> lines) => [.. lines.Select(l => RoleReader.ParticularOf(l.Name))];
}
