using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes several inserts of a channel one thing, or changes the chain with the same id. Nothing inside is set by it.</summary>
public sealed record PutChain(ChannelId Channel, Chain Chain) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var old = channel.Chains.FirstOrDefault(c => c.Id == Chain.Id);
        var known = old is null ? [] : old.Controls.SelectMany(c => c.Moves).ToHashSet();
        if (Chain.Controls.SelectMany(c => c.Moves.Where(m => !known.Contains(m)).Select(m => CheckEnds(channel, c, m))).FirstOrDefault(r => r is not null) is { } wrong)
            return wrong;
        var chains = channel.Chains.Where(c => c.Id != Chain.Id).Append(Chain).OrderBy(c => c.Id, StringComparer.Ordinal).ToSequence();
        return With(template, channel with { Chains = chains }, old is null ? new RemoveChain(Channel, Chain.Id) : new PutChain(Channel, old));
    }

    private Refusal? CheckEnds(Channel channel, ChainControl control, ChainMove move)
    {
        if (move.Parameter is not { } id || channel.Inserts.FirstOrDefault(i => i.Id == move.Insert)?.Find(id) is not { } parameter)
            return null;
        var (low, high) = (Math.Min(move.From, move.To), Math.Max(move.From, move.To));
        return low >= parameter.Min && high <= parameter.Max
            ? null
            : new Refusal.OutOfRange($"What {control.Name} of {Chain.Name} moves", low < parameter.Min ? low : high, parameter.Min, parameter.Max, parameter.Unit.Symbol());
    }
}
