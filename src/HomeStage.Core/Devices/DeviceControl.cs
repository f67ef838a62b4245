using HomeStage.Core.Controls;

namespace HomeStage.Core.Devices;

/// <summary>One control of a device that somebody has named, so that it can be set, curved and moved from here.</summary>
/// <param name="Id">An <see cref="Identifier"/>, unique on the device.</param>
/// <param name="Name">1 to 40 characters.</param>
/// <param name="Unit">Any but a choice without options.</param>
/// <param name="Min">Below <paramref name="Max"/>; 0 for switches and choices.</param>
/// <param name="Max">1 for switches, the last option's number for choices.</param>
/// <param name="Default">In [<paramref name="Min"/>, <paramref name="Max"/>].</param>
public sealed record DeviceControl(string Id, string Name, Unit Unit, double Min, double Max, double Default)
{
    public const int MostOnADevice = 64;
    public const int MostOptions = 64;

    /// <summary>What settings and targets know a device's controls by, before the control's own id: no control of a stand-in has a dot in its id.</summary>
    public const string Prefix = "device.";

    private const double Steps = 100;

    /// <summary>For a choice: its options by number.</summary>
    public Sequence<string> Options { get; init; } = [];

    /// <summary>What somebody left on it; up to 4,000 characters.</summary>
    public string Note { get; init; } = "";

    /// <summary>What settings and targets know it by.</summary>
    public string Setting => Prefix + Id;

    /// <summary>The same as any control is described.</summary>
    public Parameter Parameter => new(Setting, Name, Unit, Min, Max, Unit is Unit.Switch or Unit.Choice ? 1 : (Max - Min) / Steps, Default) { Options = Options };

    public static bool IsOne(string parameter) => parameter.StartsWith(Prefix, StringComparison.Ordinal);
}
