using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts a far microphone up, or in place of one.</summary>
/// <param name="InPlaceOf">Name of the far microphone that it takes the place of; null for a new one, which stands last.</param>
public sealed record PutFarMicrophone(ChannelId Channel, FarMicrophone Microphone, string? InPlaceOf = null) : KitEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override KitChange Change(Channel player, Kit kit)
    {
        if (InPlaceOf is null)
            return kit with { Far = kit.Far.Add(Microphone) };
        var place = kit.Far.IndexWhere(f => f.Microphone.Name == InPlaceOf);
        return place < 0 ? new Refusal.Missing("far microphone", InPlaceOf, $"in the kit of {player.Name}") : kit with { Far = kit.Far.SetItem(place, Microphone) };
    }
}
