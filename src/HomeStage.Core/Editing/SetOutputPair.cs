using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Sends a main or direct channel to another hardware pair.</summary>
/// <param name="OutputPair">1 is outputs 1–2.</param>
/// <param name="Name">What it is called where it is patched; null where nobody says.</param>
public sealed record SetOutputPair(ChannelId Channel, int OutputPair, string? Name = null) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { OutputPair = OutputPair, OutputName = Name }, new SetOutputPair(Channel, channel.OutputPair ?? 1, channel.OutputName));
}
