using HomeStage.Core.Devices;

namespace HomeStage.Core.Templates;

/// <summary>Where a device stands in a template.</summary>
/// <param name="Insert">The insert that it is; null for the channel's instrument.</param>
public readonly record struct DevicePlace(ChannelId Channel, InsertId? Insert)
{
    /// <summary>The channel's id, and that of the insert after a slash.</summary>
    public override string ToString() => Insert is { } insert ? $"{Channel}/{insert}" : Channel.Value;

    /// <returns>Null where it is not written as one.</returns>
    public static DevicePlace? Of(string text)
    {
        var parts = text.Split('/');
        return parts.Length > 2 || !parts.All(Identifier.IsValid) ? null : new(new(parts[0]), parts.Length == 2 ? new InsertId(parts[1]) : null);
    }

    /// <returns>Null where nothing is there that a device could be.</returns>
    public (OutsideDevice? Device, string StandIn, Map<double> Settings)? In(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var channel))
            return null;
        if (Insert is { } id)
            return channel.Inserts.FirstOrDefault(i => i.Id == id) is { } insert ? (insert.Device, insert.Processor, insert.Settings) : null;
        return channel.Source is InstrumentSource source ? (source.Device, source.Instrument, source.Settings) : null;
    }
}
