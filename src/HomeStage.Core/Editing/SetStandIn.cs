using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Has a device heard through another instrument or processor of ours; the device, and what its own controls are set to, stay.</summary>
/// <param name="Insert">The insert; null for the channel's instrument.</param>
/// <param name="StandIn">Id in the instrument or processor catalogue.</param>
public sealed record SetStandIn(ChannelId Channel, InsertId? Insert, string StandIn) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var back = new RestoreChannels([new(channel, null)], []);
        if (Insert is { } id)
        {
            var place = channel.Inserts.IndexWhere(i => i.Id == id);
            if (place < 0)
                return new Refusal.UnknownInsert(channel.Name, id);
            return channel.Inserts[place].Device is null
                ? NoDevice(channel)
                : With(template, channel with { Inserts = channel.Inserts.SetItem(place, On(channel.Inserts[place], StandIn)) }, back);
        }

        if (channel.Source is not InstrumentSource source)
            return new Refusal.WrongPlace(channel.Name, "plays no instrument");
        if (source.Device is null)
            return NoDevice(channel);
        var after = template.Replace(channel with { Source = On(source, StandIn) });
        return Rules.SplitRules.Stranded(after, channel.Id) is { } stranded ? stranded : new EditResult.Applied(after, back);
    }

    internal static Insert On(Insert insert, string standIn) => insert.Processor == standIn ? insert
        : insert with { Processor = standIn, Settings = DeviceSettings.Only(insert.Settings), Trigger = ProcessorCatalogue.Find(standIn) is { HasTrigger: true } ? insert.Trigger : null, KeptForAutomation = insert.KeptForAutomation && standIn == ProcessorCatalogue.Gain };

    /// <summary>A kit stays where the other plays one too.</summary>
    private static InstrumentSource On(InstrumentSource source, string standIn) => source.Instrument == standIn ? source
        : source with
        {
            Instrument = standIn,
            Kit = InstrumentCatalogue.Find(standIn)?.Kit is { } kit ? source.Kit ?? kit.Together() : null,
            Settings = DeviceSettings.Only(source.Settings),
            Patch = null,
        };

    private static Refusal.WrongPlace NoDevice(Channel channel) => new(channel.Name, "has no device there that something could stand in for");
}
