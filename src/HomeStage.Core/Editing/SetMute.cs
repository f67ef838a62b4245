using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Mutes a channel or opens it.</summary>
public sealed record SetMute(ChannelId Channel, bool Muted) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { Muted = Muted }, new SetMute(Channel, channel.Muted));
}
