using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Has a channel take one hardware input or two, and be as wide as they are.</summary>
public sealed record TakeInput(ChannelId Channel, InputSource Input) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) => With(
        template, channel with { Source = Input, Format = Input.Second is null ? ChannelFormat.Mono : ChannelFormat.Stereo }, new RestoreChannels([new(channel, null)], []));
}
