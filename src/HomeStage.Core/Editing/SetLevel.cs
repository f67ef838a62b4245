using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Sets a channel's fader.</summary>
/// <param name="Level">In [−∞, +6] dB.</param>
public sealed record SetLevel(ChannelId Channel, Decibels Level) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { Level = Level }, new SetLevel(Channel, channel.Level));
}
