using HomeStage.Core.Sound.Meters;

namespace HomeStage.Core.Sound.Tapes;

/// <summary>What a channel gave in a render, wherever its signal was taken.</summary>
/// <param name="Lanes">By the place in the channel, from its sum on.</param>
/// <param name="Channels">The meters of the channel and of all that leads to it.</param>
public sealed record Tape(IReadOnlyDictionary<int, float[][]> Lanes, Sequence<ChannelMeters> Channels)
{
    public long Bytes => Lanes.Values.Sum(lanes => lanes.Sum(l => (long)l.Length * sizeof(float)));
}
