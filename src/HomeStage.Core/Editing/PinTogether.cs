using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Lets pieces or microphones of a kit be planned as one, or lets them go again.</summary>
/// <param name="Lines">Names of lines of the kit.</param>
/// <param name="Word">What they are kept together by; null to let them go.</param>
public sealed record PinTogether(ChannelId Channel, Sequence<string> Lines, string? Word) : KitEdit(Channel)
{
    protected override KitChange Change(Channel player, Kit kit) => Unknown(player, kit, Lines) is { } unknown
        ? unknown
        : kit.Rewired(l => Lines.Contains(l.Name) ? l.Microphone with { Together = Word } : l.Microphone);
}
