using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says whether plans may divide a family of a kit.</summary>
/// <param name="Family">Its path: "drums/toms".</param>
public sealed record KeepFamilyWhole(ChannelId Channel, string Family, bool On) : KitEdit(Channel)
{
    protected override KitChange Change(Channel player, Kit kit)
    {
        var others = kit.Whole.Where(f => !f.Equals(Family, StringComparison.OrdinalIgnoreCase)).ToSequence();
        return kit with { Whole = On ? others.Add(Family) : others };
    }
}
