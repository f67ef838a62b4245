using HomeStage.Core.Editing;
using HomeStage.Core.Fitting;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Shelf;

/// <summary>Puts a device of the shelf into a template.</summary>
internal static class DeviceTake
{
    private const string Nameless = "device";

    /// <param name="onto">As <see cref="ShelfTake"/> has it.</param>
    /// <returns>Null where it cannot stand there.</returns>
    public static (Sequence<Edit> Edits, string Place, Sequence<string> Left)? Of(Template template, ShelfItem item, DeviceContent content, string? onto)
    {
        if (onto is null)
            return content.IsInstrument ? NewInstrument(template, item, content) : null;
        if (onto.EndsWith('/'))
            return content.IsInstrument || !Identifier.IsValid(onto[..^1]) || !template.Channels.TryGet(new(onto[..^1]), out var channel) ? null : NewInsert(channel, content);
        return DevicePlace.Of(onto) is { } place && place.In(template) is not null && place.Insert is null == content.IsInstrument ? InPlaceOf(template, place, content) : null;
    }

    private static (Sequence<Edit>, string, Sequence<string>) NewInstrument(Template template, ShelfItem item, DeviceContent content)
    {
        var made = ChannelFactory.Make(template, new(ChannelKind.Instrument) { Name = item.Name, Instrument = content.StandIn, Device = content.Device });
        var source = (InstrumentSource)made.Source! with { Settings = content.Settings };
        return ([new AddChannel(made with { Source = source })], new DevicePlace(made.Id, null).ToString(), []);
    }

    private static (Sequence<Edit>, string, Sequence<string>) NewInsert(Channel channel, DeviceContent content)
    {
        var id = new InsertId(Numbering.FreshId(Identifier.Of(content.Device.Name, Nameless), i => channel.Inserts.Any(o => o.Id.Value == i.Value)).Value);
        return ([new AddInsert(channel.Id, new(id, content.StandIn) { Device = content.Device, Settings = content.Settings })], new DevicePlace(channel.Id, id).ToString(), []);
    }

    /// <summary>A device that is there is replaced, and heard as it was; what is no device yet stands in for this one from then on.</summary>
    private static (Sequence<Edit>, string, Sequence<string>) InPlaceOf(Template template, DevicePlace place, DeviceContent content)
    {
        var swap = DeviceSwap.Of(template, place.Channel, place.Insert, content.Device);
        return (swap.Edits, place.ToString(), swap.Left);
    }
}
