using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Lays a strip on several channels, in the place of what stands there; feeds into inserts that go are taken away with them.</summary>
public sealed record LayStrip(Sequence<ChannelId> Channels, Strip Strip) : ManyChannelsEdit
{
    public override bool ChangesRouting => true;

    protected override ManyResult Change(Template template)
    {
        if (Unknown(template, Channels) is { } unknown)
            return unknown;
        return LostFeeds.TakenAway(Channels.Distinct().Aggregate(template, Laid), Channels);
    }

    /// <summary>Whoever comes on stage brings others along, or sends a print away: acts are left to the edit that knows.</summary>
    private Template Laid(Template template, ChannelId id)
    {
        var channel = template.Channels[id];
        var laid = StripLaying.On(template, channel, Strip with { Stages = null });
        var after = ReferenceEquals(laid, channel) ? template : template.Replace(laid);
        if (Capabilities.Of(channel.Kind).StandsOnce)
            return after;
        return (Strip.Stages ?? Map<StageState>.Empty).Where(s => template.Acts.Any(a => a.Id == s.Key) && channel.StageIn(s.Key) != s.Value)
            .Aggregate(after, (t, s) => new SetStage(id, s.Key, s.Value).ApplyTo(t) is EditResult.Applied staged ? staged.Template : t);
    }
}
