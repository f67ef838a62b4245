using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Lets a channel's notes follow a groove; null for straight.</summary>
public sealed record SetGroove(ChannelId Channel, string? Groove) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { Groove = Groove }, new SetGroove(Channel, channel.Groove));
}
