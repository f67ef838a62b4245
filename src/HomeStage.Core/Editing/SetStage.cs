using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts a channel on stage, behind the curtain or in the wings for one act.</summary>
/// <remarks>A channel that comes out of the wings brings what it feeds and plays with it, on stage, and what steers it or gives it its sound,
/// behind the curtain: otherwise it would sound into something that rests, be ducked by nothing, or be silent.</remarks>
public sealed record SetStage(ChannelId Channel, string Act, StageState State) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var channel))
            return new Refusal.UnknownChannel(Channel);
        if (template.Acts.All(a => a.Id != Act))
            return new Refusal.Missing("act", Act, "in this template");
        var after = template.Replace(Staged(channel, State));
        if (State != StageState.InTheWings)
            foreach (var (needed, state) in Needed(template, channel))
                after = after.Replace(Staged(needed, state));
        var touched = template.Channels.Where(c => !ReferenceEquals(c, after.Channels[c.Id])).ToList();
        var was = channel.StageIn(Act);
        var bringsNobody = was == StageState.InTheWings || !Needed(template, channel).Any();
        return new EditResult.Applied(after, touched.Count <= 1 && bringsNobody
            ? new SetStage(Channel, Act, was)
            : new RestoreChannels(touched.Select(c => new PlacedChannel(c, null)).ToSequence(), []));
    }

    /// <summary>Everything in the wings that the channel needs to sound as it is meant.</summary>
    private IEnumerable<(Channel Channel, StageState State)> Needed(Template template, Channel start)
    {
        var seen = new HashSet<ChannelId> { start.Id };
        var open = new Queue<Channel>([start]);
        while (open.TryDequeue(out var channel))
        {
            var needs = ChannelReferences.Of(channel).Select(r => (Id: r.To, State: NeededFor(channel, r.Kind, r.To))).Where(n => n.State is not null).Select(n => (n.Id, n.State!.Value));
            var steering = template.Channels.Where(c => c.Feeds.Any(f => f.Channel == channel.Id)).Select(c => (c.Id, StageState.BehindTheCurtain));
            foreach (var (id, state) in needs.Concat(steering))
            {
                if (!seen.Add(id))
                    continue;
                var needed = template.Channels[id];
                open.Enqueue(needed);
                if (needed.StageIn(Act) == StageState.InTheWings)
                    yield return (needed, state);
            }
        }
    }

    /// <summary>What it sounds into and what it plays comes on stage; what only has to run for it stays out of sight.</summary>
    private static StageState? NeededFor(Channel channel, ReferenceKind kind, ChannelId to) => kind switch
    {
        ReferenceKind.Destination or ReferenceKind.Plays or ReferenceKind.Layer => StageState.OnStage,
        ReferenceKind.Send => channel.Sends.Any(s => s.To == to && s.Open) ? StageState.OnStage : null,
        ReferenceKind.SplitOf or ReferenceKind.Recorded or ReferenceKind.NoteTrigger => StageState.BehindTheCurtain,
        _ => null,
    };

    // On stage is the rest state and is not written down, so that equal stages are equal values.
    private Channel Staged(Channel channel, StageState state) => channel with
    {
        Stages = state == StageState.OnStage ? channel.Stages.Without(Act) : channel.Stages.With(Act, state),
    };
}
