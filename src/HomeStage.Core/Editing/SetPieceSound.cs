using HomeStage.Core.Media;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Lets a piece of a kit play a sound of the shelf in place of its voice, as wide as the sound is.</summary>
/// <param name="Piece">Its name in the kit.</param>
/// <param name="Sound">Null for the voice.</param>
public sealed record SetPieceSound(ChannelId Channel, string Piece, MediaRef? Sound) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        if (channel.Source is not InstrumentSource { Kit: { } kit } played)
            return new Refusal.WrongPlace(channel.Name, "plays no kit");
        var place = kit.Pieces.IndexWhere(p => p.Name == Piece);
        if (place < 0)
            return new Refusal.Missing("piece", Piece, $"in the kit of {channel.Name}");
        var changed = kit with { Pieces = kit.Pieces.SetItem(place, kit.Pieces[place].Playing(Sound)) };
        return With(template, channel with { Source = played with { Kit = changed } }, new SetSource(Channel, played));
    }
}
