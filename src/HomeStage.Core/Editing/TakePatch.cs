using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Sets all that a patch of the template holds: parameters, and of an insert also its key filter and its curve.</summary>
/// <param name="Insert">The insert; null for the channel's instrument, which starts from the patch then.</param>
public sealed record TakePatch(ChannelId Channel, InsertId? Insert, string Name) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var back = new RestoreChannels([new(channel, null)], []);
        Patch? Of(string kind) => template.Patches.FirstOrDefault(p => p.Of == kind && p.Name == Name);
        if (Insert is { } id)
        {
            var place = channel.Inserts.IndexWhere(i => i.Id == id);
            return place < 0 ? new Refusal.UnknownInsert(channel.Name, id)
                : Of(channel.Inserts[place].Processor) is not { } patch ? Unknown()
                : With(template, channel with { Inserts = channel.Inserts.SetItem(place, patch.On(channel.Inserts[place])) }, back);
        }

        return channel.Source is not InstrumentSource source ? new Refusal.WrongPlace(channel.Name, "plays no instrument")
            : Of(source.Instrument) is not { } settings ? Unknown()
            : With(template, channel with { Source = source with { Settings = DeviceSettings.Onto(source.Settings, settings.Settings), Patch = Name } }, back);
    }

    private Refusal.Missing Unknown() => new("patch", Name, "in this template");
}
