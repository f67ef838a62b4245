using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes a channel mono or stereo.</summary>
public sealed record SetFormat(ChannelId Channel, ChannelFormat Format) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { Format = Format }, new SetFormat(Channel, channel.Format));
}
