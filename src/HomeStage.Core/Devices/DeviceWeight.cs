namespace HomeStage.Core.Devices;

/// <summary>What a device costs, as somebody read it off where it runs. What nobody knows is null, and not zero.</summary>
/// <param name="SharePercent">Of one processor core while it plays, in [0, 1,600].</param>
/// <param name="MemoryMegabytes">In [0, 1,000,000].</param>
/// <param name="LoadSeconds">Until it is ready, in [0, 3,600].</param>
public sealed record DeviceWeight(double? SharePercent = null, double? MemoryMegabytes = null, double? LoadSeconds = null)
{
    public const double MostPercent = 1600;
    public const double MostMegabytes = 1_000_000;
    public const double MostSeconds = 3600;

    public static readonly DeviceWeight Unknown = new();

    /// <summary>This one, and what it does not know from another.</summary>
    public DeviceWeight Or(DeviceWeight other) => new(SharePercent ?? other.SharePercent, MemoryMegabytes ?? other.MemoryMegabytes, LoadSeconds ?? other.LoadSeconds);
}
