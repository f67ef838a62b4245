using HomeStage.Core.Devices;

namespace HomeStage.Formats;

/// <summary>Devices that a description or a table tells of.</summary>
/// <param name="LeftOut">What was not understood, a sentence each.</param>
public sealed record FoundDevices(IReadOnlyList<FoundDevice> Devices, IReadOnlyList<string> LeftOut);

/// <param name="StandIn">Id in the instrument or processor catalogue of what would be heard in its place.</param>
/// <param name="IsHere">Whether it is there, as far as the table says; what was found is.</param>
public sealed record FoundDevice(OutsideDevice Device, string StandIn, bool IsHere = true);
