using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Chooses a channel's hue; null takes the hue of what it feeds.</summary>
/// <param name="HueDegrees">In [0, 360).</param>
public sealed record SetHue(ChannelId Channel, double? HueDegrees) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { HueDegrees = HueDegrees }, new SetHue(Channel, channel.HueDegrees));
}
