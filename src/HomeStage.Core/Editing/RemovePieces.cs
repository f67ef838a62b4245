using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes pieces and far microphones out of a kit. Splits that carried them stay.</summary>
/// <param name="Names">Of pieces, with all their microphones, and of far microphones.</param>
public sealed record RemovePieces(ChannelId Channel, Sequence<string> Names) : KitEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override KitChange Change(Channel player, Kit kit)
    {
        var known = kit.Pieces.Select(p => p.Name).Concat(kit.Far.Select(f => f.Microphone.Name)).ToHashSet(StringComparer.Ordinal);
        if (Names.FirstOrDefault(n => !known.Contains(n)) is { } strange)
            return new Refusal.Missing("piece", strange, $"in the kit of {player.Name}");
        return kit with { Pieces = kit.Pieces.Where(p => !Names.Contains(p.Name)).ToSequence(), Far = kit.Far.Where(f => !Names.Contains(f.Microphone.Name)).ToSequence() };
    }
}
