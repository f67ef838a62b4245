using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Sets a channel's pan or balance.</summary>
/// <param name="Pan">In [−1, 1].</param>
public sealed record SetPan(ChannelId Channel, double Pan) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { Pan = Pan }, new SetPan(Channel, channel.Pan));
}
