using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Gives a channel another name.</summary>
public sealed record RenameChannel(ChannelId Channel, string Name) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { Name = Name }, new RenameChannel(Channel, channel.Name));
}
