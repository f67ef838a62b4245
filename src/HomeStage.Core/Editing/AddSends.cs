using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Lets several channels send to one return or bus. One that sends there already stays as it is, and so does one that may send
/// nothing.</summary>
/// <param name="Send">What the new sends are like.</param>
public sealed record AddSends(Sequence<ChannelId> Channels, Send Send) : ManyChannelsEdit
{
    public override bool ChangesRouting => true;

    protected override ManyResult Change(Template template) => Unknown(template, Channels) is { } unknown ? unknown
        : Channels.Distinct().Select(id => template.Channels[id]).Where(Takes)
            .Aggregate(template, (t, c) => t.Replace(c with { Sends = ConnectionOrder.Sort(c.Sends.Append(Send)) }));

    private bool Takes(Channel channel) =>
        channel.Id != Send.To && Capabilities.Of(channel.Kind).Sends && channel.Sends.All(s => s.To != Send.To);
}
