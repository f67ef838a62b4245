using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts a piece into a kit, or in place of one. An output that is called after it alone follows its name.</summary>
/// <param name="InPlaceOf">Name of the piece that it takes the place of; null for a new one, which stands last.</param>
public sealed record PutPiece(ChannelId Channel, Piece Piece, string? InPlaceOf = null) : KitEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override KitChange Change(Channel player, Kit kit)
    {
        if (InPlaceOf is null)
            return kit with { Pieces = kit.Pieces.Add(Piece) };
        var place = kit.Pieces.IndexWhere(p => p.Name == InPlaceOf);
        if (place < 0)
            return new Refusal.Missing("piece", InPlaceOf, $"in the kit of {player.Name}");
        var changed = kit with { Pieces = kit.Pieces.SetItem(place, Piece) };
        var (was, now) = (LinesOf(kit, InPlaceOf), LinesOf(changed, Piece.Name));
        return changed with
        {
            Outputs = was.Zip(now).Where(l => l.First.Output == l.Second.Output && l.Second.Output <= kit.Outputs.Count)
                .Aggregate(changed.Outputs, (outputs, l) => Renamed(outputs, l.First.Output, l.First.Name, now.Count(o => o.Output == l.Second.Output) > 1 ? Piece.Name : l.Second.Name)),
        };
    }

    private static List<KitLine> LinesOf(Kit kit, string piece) => [.. kit.Lines.Where(l => l.Piece?.Name == piece)];

    private static Sequence<KitOutput> Renamed(Sequence<KitOutput> outputs, int number, string was, string now) =>
        outputs[number - 1].Name == was ? outputs.SetItem(number - 1, outputs[number - 1] with { Name = now }) : outputs;
}
