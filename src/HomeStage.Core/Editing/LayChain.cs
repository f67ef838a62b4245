using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts a chain into the strips of several channels: in the place of the chain of the same name, else at the end, before what is kept for automation.</summary>
/// <param name="Strip">Says its inserts and the one chain that they are, and nothing else.</param>
public sealed record LayChain(Sequence<ChannelId> Channels, Strip Strip) : ManyChannelsEdit
{
    public override bool ChangesRouting => true;

    protected override ManyResult Change(Template template)
    {
        if (Unknown(template, Channels) is { } unknown)
            return unknown;
        if (StripRules.Check("A chain", Strip) is { } wrong)
            return wrong;
        if (Strip with { Inserts = null, Chains = [] } is { SaysNothing: false } || Strip.Chains is not [var chain] || Strip.Inserts!.Any(i => !chain.Inserts.Contains(i.Id)))
            return new Refusal.WrongPlace("A chain that is laid on channels", "says its inserts, the one chain that they are, and nothing else");
        foreach (var id in Channels)
            if (!Capabilities.Of(template.Channels[id].Kind).Sounds)
                return new Refusal.WrongPlace(template.Channels[id].Name, "does not sound, so it has no strip");
        return LostFeeds.TakenAway(Channels.Distinct().Aggregate(template, (t, id) => t.Replace(ChainLaying.On(t, t.Channels[id], Strip))), Channels);
    }
}
