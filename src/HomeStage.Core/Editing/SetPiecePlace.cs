using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>What a person says of a piece's place, and how much it matters.</summary>
/// <param name="Piece">Its name in the kit.</param>
/// <param name="Importance">In [1, 9].</param>
public sealed record SetPiecePlace(ChannelId Channel, string Piece, PieceStay Stay, int Importance) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        if (channel.Source is not InstrumentSource { Kit: { } kit } played)
            return new Refusal.WrongPlace(channel.Name, "plays no kit");
        var place = kit.Pieces.IndexWhere(p => p.Name == Piece);
        if (place < 0)
            return new Refusal.Missing("piece", Piece, $"in the kit of {channel.Name}");
        var old = kit.Pieces[place];
        var changed = kit with { Pieces = kit.Pieces.SetItem(place, old with { Stay = Stay, Importance = Importance }) };
        return With(template, channel with { Source = played with { Kit = changed } }, new SetPiecePlace(Channel, Piece, old.Stay, old.Importance));
    }
}
