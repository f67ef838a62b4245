using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes a send away.</summary>
public sealed record RemoveSend(ChannelId Channel, ChannelId To) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var place = channel.Sends.IndexWhere(s => s.To == To);
        return place < 0
            ? new Refusal.Missing("send", To.Value, $"on {channel.Name}")
            : With(template, channel with { Sends = channel.Sends.RemoveAt(place) }, new PutSend(Channel, channel.Sends[place]));
    }
}
