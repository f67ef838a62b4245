using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Changes the list of acts. What was said for an act that goes is forgotten; a new act has everything on stage.</summary>
public sealed record SetActs(Sequence<Act> Acts) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        if (TemplateRules.CheckActs(Acts) is { } wrong)
            return wrong;
        var kept = Acts.Select(a => a.Id).ToHashSet(StringComparer.Ordinal);
        var channels = template.Channels.Select(c => Cleaned(c, kept)).ToList();
        var touched = template.Channels.Zip(channels).Where(x => !ReferenceEquals(x.First, x.Second)).Select(x => new PlacedChannel(x.First, null));
        return new EditResult.Applied(
            template with { Acts = Acts, Channels = ChannelList.From(channels) },
            new RestoreActs(template.Acts, touched.ToSequence()));
    }

    private static Channel Cleaned(Channel channel, HashSet<string> kept)
    {
        var strays = channel.Stages.Keys.Any(id => !kept.Contains(id)) || channel.Inserts.Any(i => i.ParkedIn.Any(id => !kept.Contains(id)));
        return !strays ? channel : channel with
        {
            Stages = Map<StageState>.From(channel.Stages.Where(s => kept.Contains(s.Key))),
            Inserts = channel.Inserts.Select(i => i with { ParkedIn = i.ParkedIn.Where(kept.Contains).ToSequence() }).ToSequence(),
        };
    }
}

/// <summary>Puts acts back as they were, with the channels that forgot something: the inverse of changing the list.</summary>
/// <param name="Channels">Put over those with the same ids; places are not used.</param>
public sealed record RestoreActs(Sequence<Act> Acts, Sequence<PlacedChannel> Channels) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        if (Channels.FirstOrDefault(c => !template.Channels.Contains(c.Channel.Id)) is { } stray)
            return new Refusal.UnknownChannel(stray.Channel.Id);
        var before = Channels.Select(c => new PlacedChannel(template.Channels[c.Channel.Id], null)).ToSequence();
        var after = Channels.Aggregate(template with { Acts = Acts }, (t, c) => t.Replace(c.Channel));
        return TemplateRules.Check(after) is { } wrong ? wrong : new EditResult.Applied(after, new RestoreActs(template.Acts, before));
    }
}
