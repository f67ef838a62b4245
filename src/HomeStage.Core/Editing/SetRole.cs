using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says what a channel is for; null lets its name tell.</summary>
public sealed record SetRole(ChannelId Channel, string? Role) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { Role = Role }, new SetRole(Channel, channel.Role));
}
