using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes the audio channel that takes an instrument's print: mixed and routed alike, waiting in the wings of every act.</summary>
/// <remarks>Instrument and print never sound together: whoever brings the one on stage sends the other to the wings.</remarks>
public sealed record AddPrintTwin(ChannelId Channel) : ManyChannelsEdit
{
    public override bool ChangesRouting => true;

    protected override ManyResult Change(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var channel))
            return new Refusal.UnknownChannel(Channel);
        if (channel.PrintTwin is not null)
            return new Refusal.Doubled("print of", channel.Name);
        if (channel.Destination is null)
            return new Refusal.WrongPlace(channel.Name, "feeds no bus, so a print in its place would be heard nowhere");
        var twin = ChannelFactory.PrintTwin(template, channel);
        var linked = template.Replace(channel with { PrintTwin = twin.Id });
        return linked with { Channels = linked.Channels.Insert(template.Channels.IndexOf(Channel) + 1, twin) };
    }
}
