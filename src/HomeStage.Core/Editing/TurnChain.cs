using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Turns one control of a chain: values inside are set between their ends, inserts are switched on and off.</summary>
/// <param name="Chain">Its id.</param>
/// <param name="Control">Id of the control.</param>
/// <param name="Position">In [0, 1].</param>
public sealed record TurnChain(ChannelId Channel, string Chain, string Control, double Position) : ManyChannelsEdit
{
    public override bool ChangesRouting => true;

    protected override ManyResult Change(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var channel))
            return new Refusal.UnknownChannel(Channel);
        if (channel.Chains.FirstOrDefault(c => c.Id == Chain) is not { } chain)
            return new Refusal.Missing("chain", Chain, $"on {channel.Name}");
        return chain.Controls.FirstOrDefault(c => c.Id == Control) is { } control
            ? template.Replace(ChainTurning.Turned(channel, chain, control, Position))
            : new Refusal.Missing("control", Control, $"of the chain {chain.Name}");
    }
}
