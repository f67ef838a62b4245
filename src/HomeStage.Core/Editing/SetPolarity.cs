using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Turns a channel's sound upside down or upright.</summary>
public sealed record SetPolarity(ChannelId Channel, bool Flipped) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { PolarityFlipped = Flipped }, new SetPolarity(Channel, channel.PolarityFlipped));
}
