using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Fitting;

/// <summary>A device that a template needs, and how it stands in a studio.</summary>
/// <param name="Device">With the figures of the studio.</param>
/// <param name="Insert">The insert that it is; null for the channel's instrument.</param>
/// <param name="StandIn">What is heard in its place.</param>
/// <param name="IsMeasured">Whether its latency was measured there.</param>
public sealed record DeviceFit(ChannelId Channel, InsertId? Insert, OutsideDevice Device, DeviceStanding Standing, string StandIn, bool IsMeasured)
{
    /// <returns>Every device of the template, in its order.</returns>
    public static IReadOnlyList<DeviceFit> Of(Template template, Studio studio)
    {
        var found = new List<DeviceFit>();
        foreach (var channel in template.Channels)
        {
            if (channel.Source is InstrumentSource { Device: { } played } source)
                found.Add(Of(channel.Id, null, played, InstrumentCatalogue.Find(source.Instrument)?.Name ?? source.Instrument, studio));
            foreach (var insert in channel.Inserts)
                if (insert.Device is { } device)
                    found.Add(Of(channel.Id, insert.Id, device, insert.Processor == ProcessorCatalogue.Through ? "nothing" : insert.Kind().Name, studio));
        }

        return found;
    }

    private static DeviceFit Of(ChannelId channel, InsertId? insert, OutsideDevice device, string standIn, Studio studio)
    {
        var known = studio.Find(device);
        return new(channel, insert, InStudio.Of(device, studio), known switch { null => DeviceStanding.Unknown, { IsHere: true } => DeviceStanding.Here, _ => DeviceStanding.Missing }, standIn, known?.Latency is not null);
    }
}

/// <summary>Whether a device is in a studio.</summary>
public enum DeviceStanding
{
    Here,

    /// <summary>The studio knows it, and it is not there.</summary>
    Missing,

    /// <summary>The studio has never heard of it.</summary>
    Unknown,
}
