using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Defaults;

/// <summary>A default strip that is to be changed: what it comes to, and which channels could be taken along.</summary>
/// <param name="Edit">Changes the default alone.</param>
/// <param name="Words">What it comes with from then on.</param>
/// <param name="Along">The channels that follow it as it is, each with what takes it along.</param>
/// <param name="Altered">Those that were altered by hand: they stay as they are.</param>
public sealed record DefaultChange(Edit Edit, string Words, Sequence<TakenAlong> Along, Sequence<ChannelId> Altered)
{
    /// <param name="strip">Null to forget the default.</param>
    /// <returns>Or what is wrong with it.</returns>
    public static (DefaultChange? Change, Refusal? Why) Of(Template template, StripScope scope, Strip? strip)
    {
        Edit edit = strip is null ? new RemoveDefaultStrip(scope) : new PutDefaultStrip(new(scope, strip));
        if (edit.ApplyTo(template) is not EditResult.Applied { Template: var after })
            return (null, ((EditResult.Refused)edit.ApplyTo(template)).Why);
        var covered = template.Channels.Where(c => !Capabilities.Of(c.Kind).StandsOnce && Covered(after, template, c, scope)).ToList();
        var along = from channel in covered
                    where Following.IsUnaltered(template, channel) && !Following.IsUnaltered(after, channel)
                    select new TakenAlong(channel.Id, [new LayStrip([channel.Id], DefaultStrips.For(after, channel))]);
        var altered = covered.Where(c => !Following.IsUnaltered(template, c) && !Following.IsUnaltered(after, c)).Select(c => c.Id);
        return (new(edit, strip is null ? "nothing" : StripSummary.Of(strip), along.ToSequence(), altered.ToSequence()), null);
    }

    /// <summary>The strip of a channel as a default for others like it: its sends closed, and nothing said of acts where it is on stage in all of them.</summary>
    public static Strip StripFor(Template template, Channel channel)
    {
        var strip = StripLaying.Of(template, channel);
        // What it has by its default means returns that are still to come as well.
        var byDefault = DefaultStrips.For(template, channel).Sends;
        var isByDefault = byDefault is not null && channel.Sends.Count <= template.Channels.Count(c => c.Kind == ChannelKind.Return)
            && StripLaying.On(template, channel with { Sends = [] }, new() { Sends = byDefault }).Sends.Select(s => s.To).SequenceEqual(channel.Sends.Select(s => s.To));
        return strip with
        {
            Sends = strip.Sends is not { } sends ? null : isByDefault ? byDefault : ToEvery(template, sends.Select(s => s with { Open = false }).ToSequence()),
            Stages = strip.Stages is { } stages && stages.Values.All(s => s == StageState.OnStage) ? null : strip.Stages,
        };
    }

    /// <summary>Where all returns there are get the same send, it is meant for those to come as well.</summary>
    private static Sequence<StripSend> ToEvery(Template template, Sequence<StripSend> sends)
    {
        var returns = template.Channels.Where(c => c.Kind == ChannelKind.Return).Select(c => c.Name).ToList();
        return returns.Count > 1 && sends.Count == returns.Count && returns.TrueForAll(r => sends.Any(s => s.To == r)) && sends.All(s => s with { To = "" } == sends[0] with { To = "" })
            ? [sends[0] with { To = "" }]
            : sends;
    }

    private static bool Covered(Template after, Template before, Channel channel, StripScope scope) =>
        DefaultStrips.Covering(after, channel).Concat(DefaultStrips.Covering(before, channel)).Any(d => d.For == scope);
}

/// <summary>A channel that goes along with its default.</summary>
public sealed record TakenAlong(ChannelId Channel, Sequence<Edit> Edits);
