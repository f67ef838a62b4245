using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>Hands the outputs out to the lines of a new kit, one after another.</summary>
internal sealed class SwapPlaces
{
    private readonly Dictionary<string, int> _newFamilies = new(StringComparer.OrdinalIgnoreCase);
    private readonly IReadOnlyList<KitLine> _next;
    private readonly IReadOnlyList<KitLine> _old;
    private readonly Queue<int> _free;

    /// <param name="outputs">Changed where one gets a new name.</param>
    /// <param name="splitOutputs">Numbers that splits take.</param>
    public SwapPlaces(IReadOnlyList<KitLine> next, IReadOnlyList<KitLine> old, List<KitOutput> outputs, IReadOnlySet<int> splitOutputs)
    {
        (_next, _old, Outputs) = (next, old, outputs);
        // What an old piece leaves by is not free even without a split: what stands in for it may come back to it.
        var used = old.Select(l => l.Output).ToHashSet();
        _free = new(Enumerable.Range(2, Math.Max(0, outputs.Count - 1)).Where(n => !splitOutputs.Contains(n) && !used.Contains(n)));
    }

    public List<KitOutput> Outputs { get; }

    /// <param name="match">The old line that it stands in for.</param>
    public SwappedPiece Of(KitLine line, (KitLine Line, SwapReason Reason)? match)
    {
        if (match is { } found)
            return new(line.Name, found.Line.Output, found.Reason, found.Line.Name);
        if (Joined(line) is { } with)
            return new(line.Name, with.Output, SwapReason.Joins, with.Name);
        if (_newFamilies.TryGetValue(line.Family, out var output))
            return new(line.Name, output, SwapReason.New, null);
        if (!_free.TryDequeue(out var free))
            return new(line.Name, 1, SwapReason.First, null);
        _newFamilies[line.Family] = free;
        Outputs[free - 1] = Outputs[free - 1] with { Name = NameOf(line) };
        return new(line.Name, free, SwapReason.New, null);
    }

    /// <summary>The nearest old line of its family, or of one above or below it.</summary>
    private KitLine? Joined(KitLine line) => _old
        .Where(o => (o.Piece is null) == (line.Piece is null) && (FamilyTree.Distance(o.Family, line.Family) == 2 || KitMatch.IsNear(o.Family, line.Family)))
        .MinBy(o => FamilyTree.Distance(o.Family, line.Family));

    private string NameOf(KitLine line) =>
        _next.Count(l => l.Family.Equals(line.Family, StringComparison.OrdinalIgnoreCase)) == 1 || FamilyTree.Parts(line.Family).Count == 0
            ? line.Name
            : FamilyTree.Spoken(FamilyTree.Parts(line.Family)[^1]);
}
