using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes the audio channel that takes an instrument's print: routed alike, waiting in the wings of every act.</summary>
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
        var name = $"{channel.Name[..Math.Min(channel.Name.Length, 72)]} print";
        var twin = new Channel
        {
            Id = Numbering.FreshId($"{channel.Id}-print", template.Channels.Contains),
            Name = template.Channels.Any(c => c.Name == name) ? Numbering.Next(name, n => template.Channels.Any(c => c.Name == n)) : name,
            Kind = ChannelKind.Audio,
            Format = channel.Format,
            Destination = channel.Destination,
            Source = new InternalSource(channel.Id, TapPoint.Pre),
            Stages = Map<StageState>.From(template.Acts.Select(a => KeyValuePair.Create(a.Id, StageState.InTheWings))),
        };
        var linked = template.Replace(channel with { PrintTwin = twin.Id });
        return linked with { Channels = linked.Channels.Insert(template.Channels.IndexOf(Channel) + 1, twin) };
    }
}
