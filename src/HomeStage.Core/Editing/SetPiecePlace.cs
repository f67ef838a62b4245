using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>What a person says of the place of a piece, or of one of its microphones, and how much it matters.</summary>
/// <param name="Piece">Name of a line of the kit.</param>
/// <param name="Importance">In [1, 9].</param>
public sealed record SetPiecePlace(ChannelId Channel, string Piece, PieceStay Stay, int Importance) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        if (channel.Source is not InstrumentSource { Kit: { } kit } played)
            return new Refusal.WrongPlace(channel.Name, "plays no kit");
        if (kit.Lines.FirstOrDefault(l => l.Name == Piece)?.Microphone is not { } old)
            return new Refusal.Missing("piece", Piece, $"in the kit of {channel.Name}");
        var changed = kit.Rewired(l => l.Name == Piece ? l.Microphone with { Stay = Stay, Importance = Importance } : l.Microphone);
        return With(template, channel with { Source = played with { Kit = changed } }, new SetPiecePlace(Channel, Piece, old.Stay, old.Importance));
    }
}
