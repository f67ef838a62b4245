namespace HomeStage.Core.Outside;

/// <summary>What is heard of one source on one channel.</summary>
/// <param name="IsExpected">Whether it belongs there.</param>
/// <param name="OffDb">How much louder it is than expected, against all others; null where that cannot be said.</param>
/// <param name="LateMs">How much later it is than expected; null where that cannot be said.</param>
/// <param name="IsSame">Whether it is the sound that is heard here; levels, times and polarity are judged of such alone.</param>
public sealed record PadReading(ChannelId Channel, FiredSlot Slot, bool IsExpected, double? OffDb, double? LateMs, bool IsSame, Sequence<Fault> Faults)
{
    /// <summary>Whether what is wrong with it began before this channel.</summary>
    public bool Follows { get; init; }
}
