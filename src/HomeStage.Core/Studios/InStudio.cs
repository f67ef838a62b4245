using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Studios;

/// <summary>A template with the figures of the studio that it stands in: what was measured there goes before what a device says of itself.</summary>
public static class InStudio
{
    /// <param name="studio">Null for none.</param>
    /// <returns>The same object where nothing is known better.</returns>
    public static Template Of(Template template, Studio? studio)
    {
        if (studio is null || studio.Devices.Count == 0)
            return template;
        var channels = template.Channels;
        foreach (var channel in template.Channels)
        {
            var inserts = channel.Inserts.Any(i => i.Device is not null) ? channel.Inserts.Select(i => i.Device is { } device ? i with { Device = Of(device, studio) } : i).ToSequence() : channel.Inserts;
            var source = channel.Source is InstrumentSource { Device: { } played } instrument ? instrument with { Device = Of(played, studio) } : channel.Source;
            if (!inserts.Equals(channel.Inserts) || !Equals(source, channel.Source))
                channels = channels.Replace(channel with { Inserts = inserts, Source = source });
        }

        return ReferenceEquals(channels, template.Channels) ? template : template with { Channels = channels };
    }

    /// <summary>A device with what a studio knows of it.</summary>
    public static OutsideDevice Of(OutsideDevice device, Studio studio) => studio.Find(device) is not { } known ? device : device with
    {
        Latency = known.Latency ?? device.Latency ?? known.Device.Latency,
        Weight = known.Weight.Or(device.Weight).Or(known.Device.Weight),
    };
}
