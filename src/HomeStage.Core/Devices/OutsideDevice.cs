using HomeStage.Core.Kits;

namespace HomeStage.Core.Devices;

/// <summary>An instrument or a processor that this application does not play, a plug-in or hardware. It is heard through a stand-in, and counts as it declares.</summary>
/// <param name="Name">1 to 80 characters.</param>
public sealed record OutsideDevice(string Name)
{
    public const int MostOutputs = 128;

    /// <summary>Up to 80 characters.</summary>
    public string Maker { get; init; } = "";

    /// <summary>What hosts it: "VST3", "CLAP", "hardware"; up to 40 characters, empty where nobody said.</summary>
    public string Format { get; init; } = "";

    /// <summary>What its format knows it by; up to 200 characters, empty where nobody said.</summary>
    public string DeviceId { get; init; } = "";

    /// <summary>The preset that it begins with, by name; up to 80 characters.</summary>
    public string Preset { get; init; } = "";

    /// <summary>In the order of their numbers, from 1; empty where they are not known.</summary>
    public Sequence<KitOutput> Outputs { get; init; } = [];

    /// <summary>What its key input takes.</summary>
    public KeyWidth Key { get; init; }

    /// <summary>By how much it is late; null where that is not known, which is not the same as not late.</summary>
    public DeviceLatency? Latency { get; init; }

    /// <summary>What it costs.</summary>
    public DeviceWeight Weight { get; init; } = DeviceWeight.Unknown;

    /// <summary>What it shall be set to, carried and never read; null for none.</summary>
    public DeviceState? State { get; init; }

    /// <summary>The few controls that somebody has named.</summary>
    public Sequence<DeviceControl> Controls { get; init; } = [];

    /// <summary>Whether both name the same thing: by the id that a format knows it by, else by name and, where both say them, maker and format.</summary>
    public bool IsSameAs(OutsideDevice other) => DeviceId.Length > 0 && other.DeviceId.Length > 0
        ? Alike(DeviceId, other.DeviceId) && AlikeIfSaid(Format, other.Format)
        : Alike(Name, other.Name) && AlikeIfSaid(Maker, other.Maker) && AlikeIfSaid(Format, other.Format);

    private static bool AlikeIfSaid(string a, string b) => a.Length == 0 || b.Length == 0 || Alike(a, b);

    private static bool Alike(string a, string b) => string.Equals(a, b, StringComparison.OrdinalIgnoreCase);
}

/// <summary>What the key input of a device takes.</summary>
public enum KeyWidth
{
    /// <summary>It has none.</summary>
    None,

    Mono,

    Stereo,
}
