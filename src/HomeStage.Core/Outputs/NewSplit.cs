using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>The channel that takes an output which none takes yet.</summary>
internal static class NewSplit
{
    /// <param name="player">The instrument: the split feeds what it feeds, in the same acts.</param>
    /// <param name="number">Number of the output in the kit, from 2.</param>
    /// <param name="pan">In [−1, 1]; for a mono output alone.</param>
    public static Channel Of(Channel player, Kit kit, int number, ChannelId id, double pan = 0) => new()
    {
        Id = id,
        Name = kit.Outputs[number - 1].Name,
        Kind = ChannelKind.Split,
        Format = kit.Outputs[number - 1].Format,
        Destination = player.Destination,
        Source = new OutputSource(player.Id, number),
        Pan = pan,
        Stages = player.Stages,
    };
}
