namespace HomeStage.Core.Templates.Edits;

/// <summary>Puts a channel on stage, behind the curtain or in the wings for one act.</summary>
/// <remarks>A channel that comes out of the wings brings what it feeds with it, on stage, and what steers it, behind the
/// curtain: otherwise it would sound into something that rests, or be ducked by nothing.</remarks>
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
        return new EditResult.Applied(after, touched.Count <= 1
            ? new SetStage(Channel, Act, channel.StageIn(Act))
            : new RestoreChannels(touched.Select(c => new PlacedChannel(c, null)).ToSequence(), []));
    }

    /// <summary>Everything in the wings that the channel needs to sound as it is meant.</summary>
    private IEnumerable<(Channel Channel, StageState State)> Needed(Template template, Channel start)
    {
        var seen = new HashSet<ChannelId> { start.Id };
        var open = new Queue<Channel>([start]);
        while (open.TryDequeue(out var channel))
        {
            var fed = channel.Sends.Where(s => s.Open).Select(s => s.To).Concat(channel.Destination is { } d ? [d] : []);
            var steering = template.Channels.Where(c => c.Feeds.Any(f => f.Channel == channel.Id)).Select(c => c.Id);
            foreach (var (id, state) in fed.Select(id => (id, StageState.OnStage)).Concat(steering.Select(id => (id, StageState.BehindTheCurtain))))
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

    // On stage is the rest state and is not written down, so that equal stages are equal values.
    private Channel Staged(Channel channel, StageState state) => channel with
    {
        Stages = state == StageState.OnStage ? channel.Stages.Without(Act) : channel.Stages.With(Act, state),
    };
}
