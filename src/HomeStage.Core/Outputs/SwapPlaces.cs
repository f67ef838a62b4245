using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>Hands the outputs out to the pieces of a new kit, one after another.</summary>
internal sealed class SwapPlaces
{
    private readonly Dictionary<string, int> _newFamilies = new(StringComparer.OrdinalIgnoreCase);
    private readonly Queue<int> _free;
    private readonly Kit _kit;

    public SwapPlaces(Kit kit, List<KitOutput> outputs, HashSet<int> splitOutputs, Kit old)
    {
        (_kit, Outputs) = (kit, outputs);
        // What an old piece leaves by is not free even without a split: its role may come back to it.
        var used = old.Pieces.Select(p => p.Output).ToHashSet();
        _free = new(Enumerable.Range(2, Math.Max(0, outputs.Count - 1)).Where(n => !splitOutputs.Contains(n) && !used.Contains(n)));
    }

    public List<KitOutput> Outputs { get; }

    public SwappedPiece Of(Piece piece, (Piece Piece, SwapReason Reason)? match)
    {
        if (match is { } found && found.Piece.Output <= Outputs.Count)
            return new(piece.Name, found.Piece.Output, found.Reason, found.Piece.Name);
        if (_newFamilies.TryGetValue(piece.Family, out var output))
            return new(piece.Name, output, SwapReason.New, null);
        if (!_free.TryDequeue(out var free))
            return new(piece.Name, 1, SwapReason.First, null);
        _newFamilies[piece.Family] = free;
        Outputs[free - 1] = Outputs[free - 1] with { Name = NameOf(piece) };
        return new(piece.Name, free, SwapReason.New, null);
    }

    private string NameOf(Piece piece) =>
        _kit.Pieces.Count(p => p.Family.Equals(piece.Family, StringComparison.OrdinalIgnoreCase)) == 1 || FamilyTree.Parts(piece.Family).Count == 0
            ? piece.Name
            : FamilyTree.Spoken(FamilyTree.Parts(piece.Family)[^1]);
}
