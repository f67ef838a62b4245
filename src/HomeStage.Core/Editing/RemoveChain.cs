using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes a chain apart. Its inserts stay as they are.</summary>
/// <param name="Chain">Its id.</param>
public sealed record RemoveChain(ChannelId Channel, string Chain) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var place = channel.Chains.IndexWhere(c => c.Id == Chain);
        return place < 0
            ? new Refusal.Missing("chain", Chain, $"on {channel.Name}")
            : With(template, channel with { Chains = channel.Chains.RemoveAt(place) }, new PutChain(Channel, channel.Chains[place]));
    }
}
