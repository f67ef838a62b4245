using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes a channel mono or stereo. A mono one takes the first of two hardware inputs.</summary>
public sealed record SetFormat(ChannelId Channel, ChannelFormat Format) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        Format == ChannelFormat.Mono && channel.Source is InputSource { Second: not null } pair
            ? With(template, channel with { Format = Format, Source = pair with { Second = null } }, new RestoreChannels([new(channel, null)], []))
            : With(template, channel with { Format = Format }, new SetFormat(Channel, channel.Format));
}
