using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes a send, or changes the one to the same target.</summary>
public sealed record PutSend(ChannelId Channel, Send Send) : ChannelEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override EditResult Change(Template template, Channel channel)
    {
        var old = channel.Sends.FirstOrDefault(s => s.To == Send.To);
        var sends = ConnectionOrder.Sort(channel.Sends.Where(s => s.To != Send.To).Append(Send));
        return With(template, channel with { Sends = sends },
            old is null ? new RemoveSend(Channel, Send.To) : new PutSend(Channel, old));
    }
}
