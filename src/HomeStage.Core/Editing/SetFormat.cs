using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes a channel mono or stereo, as wide as the hardware inputs that it takes.</summary>
public sealed record SetFormat(ChannelId Channel, ChannelFormat Format) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var changed = channel with { Format = Format };
        return InputWidthRules.Check(changed) is { } unlike ? unlike
            : With(template, changed, InputWidthRules.Check(channel) is null ? new SetFormat(Channel, channel.Format) : new RestoreChannels([new(channel, null)], []));
    }
}
