using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says which device an instrument or insert is: what is there stands in for it from then on, with its strip, sends, feeds, splits and notes.
/// Null has what is there meant itself again.</summary>
/// <param name="Insert">The insert; null for the channel's instrument.</param>
public sealed record SetDevice(ChannelId Channel, InsertId? Insert, OutsideDevice? Device) : ChannelEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override EditResult Change(Template template, Channel channel)
    {
        if (Insert is { } id)
        {
            var place = channel.Inserts.IndexWhere(i => i.Id == id);
            if (place < 0)
                return new Refusal.UnknownInsert(channel.Name, id);
            var insert = channel.Inserts[place];
            return Done(template, channel, channel with { Inserts = channel.Inserts.SetItem(place, insert with { Device = Device, Settings = Kept(insert.Settings) }) }, insert.Device, insert.Settings);
        }

        return channel.Source is InstrumentSource source
            ? Done(template, channel, channel with { Source = source with { Device = Device, Settings = Kept(source.Settings) } }, source.Device, source.Settings)
            : new Refusal.WrongPlace(channel.Name, "plays no instrument");
    }

    /// <summary>What the controls of one device were set to waits for its return as long as there is a device at all.</summary>
    private Map<double> Kept(Map<double> settings) => Device is null ? DeviceSettings.Without(settings) : settings;

    private EditResult Done(Template template, Channel channel, Channel changed, OutsideDevice? before, Map<double> settings)
    {
        var after = template.Replace(changed);
        return Rules.KeyedRules.Stranded(after, channel.Id) is { } stranded ? stranded
            : Rules.SplitRules.Stranded(after, channel.Id) is { } lost ? lost
            : With(template, changed, Equals(settings, Kept(settings)) ? new SetDevice(Channel, Insert, before) : new RestoreChannels([new(channel, null)], []));
    }
}
