using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Lets a channel feed another one, without moving it in the template's order of siblings.</summary>
/// <param name="Destination">The bus or main; null for nothing.</param>
public sealed record SetDestination(ChannelId Channel, ChannelId? Destination) : ChannelEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { Destination = Destination }, new SetDestination(Channel, channel.Destination));
}
