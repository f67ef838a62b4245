using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Keeps the settings of an instrument or insert as a patch, or changes the one of the same name.</summary>
/// <param name="Insert">The insert; null for the channel's instrument, which starts from the patch then.</param>
public sealed record KeepPatch(ChannelId Channel, InsertId? Insert, string Name) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        if (Insert is { } id)
            return channel.Inserts.FirstOrDefault(i => i.Id == id) is { } insert
                ? new PutPatch(Patch.FromInsert(insert, Name)).ApplyTo(template)
                : new Refusal.UnknownInsert(channel.Name, id);
        return channel.Source is InstrumentSource source
            ? new PutPatch(new(source.Instrument, Name, DeviceSettings.Without(source.Settings))).ApplyTo(template)
            : new Refusal.WrongPlace(channel.Name, "plays no instrument");
    }
}
