using HomeStage.Core.Devices;

namespace HomeStage.Core.Studios;

/// <summary>A place in which songs are recorded: what sound and notes come in by, and the devices that are there.</summary>
/// <param name="Interface">What sound comes in and goes out by.</param>
public sealed record Studio(AudioInterface Interface)
{
    public const int MostDevices = 2000;
    public const int MostMidiDevices = 64;

    /// <summary>What a musician bears to hear herself late (common practice: about a dozen milliseconds, buffers included).</summary>
    public const double UsualBudgetMs = 12;

    /// <summary>How late a monitored input may be heard, in ms, buffers included; in [1, 1,000].</summary>
    public double BudgetMs { get; init; } = UsualBudgetMs;

    /// <summary>Names of the MIDI devices that are there.</summary>
    public Sequence<string> MidiDevices { get; init; } = [];

    public Sequence<StudioDevice> Devices { get; init; } = [];

    /// <returns>What the studio knows of a device: by id or name; null where it does not know it.</returns>
    public StudioDevice? Find(OutsideDevice device) =>
        Devices.FirstOrDefault(d => d.Device.IsSameAs(device) && d.IsHere) ?? Devices.FirstOrDefault(d => d.Device.IsSameAs(device));

    /// <summary>The studio with devices that were found: what it knows stays as it was measured, and is there or not as it was found.</summary>
    /// <returns>Also how many of them it had never heard of.</returns>
    public (Studio Studio, int Fresh) With(IEnumerable<StudioDevice> found)
    {
        var devices = Devices.ToList();
        foreach (var one in found)
            if (devices.FindIndex(d => d.Device.IsSameAs(one.Device)) is var at and >= 0)
                devices[at] = devices[at] with { IsHere = one.IsHere };
            else
                devices.Add(one);
        return (this with { Devices = devices.ToSequence() }, devices.Count - Devices.Count);
    }
}

/// <summary>A device as one studio knows it.</summary>
/// <param name="IsHere">Whether it is there; one that is not is remembered with what was measured.</param>
public sealed record StudioDevice(OutsideDevice Device, bool IsHere = true)
{
    /// <summary>Id in the instrument or processor catalogue of what is heard in its place; null where nobody said.</summary>
    public string? StandIn { get; init; }

    /// <summary>Its latency as it was measured there; null where nobody did.</summary>
    public DeviceLatency? Latency { get; init; }

    /// <summary>Its weight as it was measured there.</summary>
    public DeviceWeight Weight { get; init; } = DeviceWeight.Unknown;
}
