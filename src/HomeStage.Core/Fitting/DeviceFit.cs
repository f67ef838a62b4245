using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Fitting;

/// <summary>A device that a template needs, and how it stands in a studio.</summary>
/// <param name="Held">As the template has it.</param>
/// <param name="Device">The same with the figures of the studio.</param>
/// <param name="IsMeasured">Whether its latency was measured there.</param>
public sealed record DeviceFit(HeldDevice Held, OutsideDevice Device, DeviceStanding Standing, bool IsMeasured)
{
    public ChannelId Channel => Held.Place.Channel;

    /// <summary>The insert that it is; null for the channel's instrument.</summary>
    public InsertId? Insert => Held.Place.Insert;

    /// <summary>What is heard in its place, by name.</summary>
    public string StandIn => StandIns.NameOf(Held.StandIn);

    /// <returns>Every device of the template, in its order.</returns>
    public static IReadOnlyList<DeviceFit> Of(Template template, Studio studio) => [.. HeldDevice.Of(template).Select(h => Of(h, studio))];

    private static DeviceFit Of(HeldDevice held, Studio studio)
    {
        var known = studio.Find(held.Device);
        return new(held, InStudio.Of(held.Device, studio), known switch { null => DeviceStanding.Unknown, { IsHere: true } => DeviceStanding.Here, _ => DeviceStanding.Missing }, known?.Latency is not null);
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
