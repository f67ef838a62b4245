using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Names an output of a kit and says how wide it is, or adds one.</summary>
/// <param name="Number">From 1; null for a new one, which stands last.</param>
public sealed record PutKitOutput(ChannelId Channel, KitOutput Output, int? Number = null) : KitEdit(Channel)
{
    protected override KitChange Change(Channel player, Kit kit)
    {
        if (Number is not { } number)
            return kit with { Outputs = kit.Outputs.Add(Output) };
        return number >= 1 && number <= kit.Outputs.Count
            ? kit with { Outputs = kit.Outputs.SetItem(number - 1, Output) }
            : new Refusal.OutOfRange($"An output of {player.Name}", number, 1, kit.Outputs.Count, "");
    }
}
