using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>How plans use the outputs of a kit.</summary>
/// <param name="FirstReserved">Whether the first one is kept for the rest.</param>
/// <param name="MonoSharesPairs">Whether mono pieces share a pair, one on its left and one on its right jack.</param>
public sealed record SetKitUse(ChannelId Channel, bool FirstReserved, bool MonoSharesPairs) : KitEdit(Channel)
{
    protected override KitChange Change(Channel player, Kit kit)
    {
        if (MonoSharesPairs && kit.Use == JackUse.Singles)
            return new Refusal.WrongPlace(player.Name, "has single jacks, so there are no pairs to share");
        return kit with { FirstReserved = FirstReserved, Jacks = MonoSharesPairs ? JackUse.Halves : kit.Use == JackUse.Halves ? JackUse.Pairs : kit.Jacks };
    }
}
