using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says which audio channel takes an instrument's print; null for none.</summary>
public sealed record SetPrintTwin(ChannelId Channel, ChannelId? Twin) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { PrintTwin = Twin }, new SetPrintTwin(Channel, channel.PrintTwin));
}
