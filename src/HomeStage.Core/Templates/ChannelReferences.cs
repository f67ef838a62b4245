using HomeStage.Core.Automation;

namespace HomeStage.Core.Templates;

/// <summary>What a channel refers to another by.</summary>
public enum ReferenceKind
{
    Destination,
    Send,
    Feed,

    /// <summary>Whose notes restart an insert.</summary>
    NoteTrigger,

    /// <summary>An instrument that a notes channel plays.</summary>
    Plays,

    /// <summary>An instrument that hears the same notes.</summary>
    Layer,

    /// <summary>The audio channel that takes its print.</summary>
    Print,

    /// <summary>The channel whose sound it records.</summary>
    Recorded,

    /// <summary>The instrument of which a split takes an output.</summary>
    SplitOf,

    /// <summary>The target of a send whose level a curve moves; it may be gone.</summary>
    CurvedSend,
}

/// <summary>Every reference of a channel to another, in one place: whoever removes, copies, stages or compares channels asks here.</summary>
public static class ChannelReferences
{
    /// <returns>In no order; one that is there twice comes twice.</returns>
    public static IEnumerable<(ReferenceKind Kind, ChannelId To)> Of(Channel channel)
    {
        if (channel.Destination is { } destination)
            yield return (ReferenceKind.Destination, destination);
        if (channel.PrintTwin is { } twin)
            yield return (ReferenceKind.Print, twin);
        if (channel.Source is OutputSource split)
            yield return (ReferenceKind.SplitOf, split.Instrument);
        if (channel.Source is InternalSource recorded)
            yield return (ReferenceKind.Recorded, recorded.From);
        foreach (var send in channel.Sends)
            yield return (ReferenceKind.Send, send.To);
        foreach (var feed in channel.Feeds)
            yield return (ReferenceKind.Feed, feed.Channel);
        foreach (var played in channel.Plays)
            yield return (ReferenceKind.Plays, played);
        foreach (var layer in channel.NoteInput?.Layers ?? [])
            yield return (ReferenceKind.Layer, layer);
        foreach (var notes in channel.Inserts.SelectMany(i => i.Trigger?.Notes ?? []))
            yield return (ReferenceKind.NoteTrigger, notes);
        foreach (var shape in channel.Shapes)
            if (shape.Target is SendTarget moved)
                yield return (ReferenceKind.CurvedSend, moved.To);
    }

    /// <summary>The channel with its references led elsewhere.</summary>
    /// <param name="to">Where a reference shall lead; null lets it go.</param>
    /// <returns>The same object where none is led elsewhere.</returns>
    public static Channel Redirected(Channel channel, Func<ReferenceKind, ChannelId, ChannelId?> to)
    {
        if (Of(channel).All(r => to(r.Kind, r.To) == r.To))
            return channel;
        Sequence<ChannelId> Led(ReferenceKind kind, Sequence<ChannelId> ids) => ids.Select(id => to(kind, id)).OfType<ChannelId>().ToSequence();
        return ConnectionOrder.Sorted(channel with
        {
            Destination = channel.Destination is { } destination ? to(ReferenceKind.Destination, destination) : null,
            PrintTwin = channel.PrintTwin is { } twin ? to(ReferenceKind.Print, twin) : null,
            Source = channel.Source switch
            {
                OutputSource split => to(ReferenceKind.SplitOf, split.Instrument) is { } kit ? split with { Instrument = kit } : null,
                InternalSource recorded => to(ReferenceKind.Recorded, recorded.From) is { } from ? recorded with { From = from } : null,
                _ => channel.Source,
            },
            Sends = channel.Sends.SelectMany(s => to(ReferenceKind.Send, s.To) is { } target ? [s with { To = target }] : Array.Empty<Send>()).ToSequence(),
            Feeds = channel.Feeds.SelectMany(f => to(ReferenceKind.Feed, f.Channel) is { } target ? [f with { Channel = target }] : Array.Empty<SidechainFeed>()).ToSequence(),
            Plays = Led(ReferenceKind.Plays, channel.Plays),
            NoteInput = channel.NoteInput is { } input ? input with { Layers = Led(ReferenceKind.Layer, input.Layers) } : null,
            Inserts = channel.Inserts.Select(i => i.Trigger is { } trigger ? i with { Trigger = trigger with { Notes = Led(ReferenceKind.NoteTrigger, trigger.Notes) } } : i).ToSequence(),
            Shapes = channel.Shapes.SelectMany(s => s.Target is not SendTarget moved ? [s]
                : to(ReferenceKind.CurvedSend, moved.To) is { } target ? [s with { Target = new SendTarget(target) }] : Array.Empty<Shape>()).ToSequence(),
        });
    }
}
