using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>What a plan does not divide: one piece, pieces that are kept together, or a family that is kept whole.</summary>
/// <param name="Pieces">Indices, in the order of the tree.</param>
/// <param name="Family">Where it stands: of several pieces as the first of them, of a family as the family.</param>
/// <param name="Importance">The sum of theirs.</param>
/// <param name="Format">Stereo where one of them is.</param>
internal sealed record PlanUnit(IReadOnlyList<int> Pieces, string Family, long Importance, ChannelFormat Format)
{
    /// <param name="order">The pieces that are to be planned, in the order of the tree.</param>
    /// <param name="whole">Families that are kept whole; the outermost of those that lie in each other counts.</param>
    /// <returns>In the order of the tree.</returns>
    public static List<PlanUnit> Of(IReadOnlyList<PlanPiece> pieces, IReadOnlyList<int> order, IReadOnlyList<string> whole)
    {
        var kept = whole.Select(FamilyTree.Parts).Where(f => f.Count > 0).OrderBy(f => f.Count).ToList();
        string KeyOf(int piece)
        {
            if (kept.Find(f => IsIn(pieces[piece].Family, f)) is { } family)
                return $"family {string.Join('/', family).ToLowerInvariant()}";
            return pieces[piece].Together is { } word ? $"together {word}" : $"piece {piece}";
        }

        // The first of a group that is met in the order says where all of it stands.
        return [.. order.GroupBy(KeyOf).Select(g => Unit(pieces, [.. g], kept.Find(f => IsIn(pieces[g.First()].Family, f))))];
    }

    private static PlanUnit Unit(IReadOnlyList<PlanPiece> all, IReadOnlyList<int> pieces, IReadOnlyList<string>? family) => new(
        pieces, family is null ? all[pieces[0]].Family : string.Join('/', family), pieces.Sum(i => (long)all[i].Importance),
        pieces.Any(i => all[i].Format == ChannelFormat.Stereo) ? ChannelFormat.Stereo : ChannelFormat.Mono);

    private static bool IsIn(string family, IReadOnlyList<string> whole) =>
        FamilyTree.Parts(family) is var parts && parts.Count >= whole.Count && parts.Take(whole.Count).SequenceEqual(whole, StringComparer.OrdinalIgnoreCase);
}
