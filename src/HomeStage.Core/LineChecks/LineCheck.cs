using HomeStage.Core.Media;
using HomeStage.Core.Outputs;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;

namespace HomeStage.Core.LineChecks;

/// <summary>Fires one piece, instrument or input alone through the whole graph and says where it arrives.</summary>
/// <remarks>A split that is called after another drum than all that it carries is no place for what the wiring puts there: that belongs on the splits
/// that are called after it, if there are any.</remarks>
public static class LineCheck
{
    /// <summary>What is quieter than this has not arrived.</summary>
    public const double HeardDbfs = -90;

    /// <summary>Long enough for far microphones, latency and the first repeat of an echo.</summary>
    private const double Seconds = 3;

    /// <param name="source">One of <see cref="LineSource.AllOf"/>.</param>
    public static LineRow Fire(Template template, string act, LineSource source, IMediaShelf? shelf = null, CancellationToken cancellation = default)
    {
        var expected = Expected(template, act, source);
        var alone = source.Note is { } note
            ? Audition.Of(template, source.Channel, note, 100, Seconds)
            : Audition.OfInput(template, source.Channel, Seconds);
        var sound = Renderer.Render(alone, new(act, AroundTheMain(template, source)), shelf: shelf, cancellation: cancellation);
        var places = sound.Channels.Where(c => c.Reading?.PeakDbfs >= HeardDbfs)
            .Select(c => new LinePlace(c.Channel, c.Reading!.PeakDbfs, expected.Contains(c.Channel))).ToList();
        // A render meters what leads to where it listens, and the echo of an echo may come after its end.
        var missing = expected.Where(e => places.TrueForAll(p => p.Channel != e) && (e == source.Channel || LeadsToMain(template, e)) && !IsFedByReturnsAlone(template, e, expected)).ToSequence();
        var close = Close(template, act, source).Select(channels => channels.Select(c => c.Id).ToSequence()).ToList();
        return new(source, places.ToSequence(), missing, close.SelectMany(c => c).Distinct().ToSequence(), (close.Find(c => c.Count > 1) ?? []).ToSequence());
    }

    /// <summary>Every channel that a source is to be heard on: where it enters, and all that is fed from there.</summary>
    public static IReadOnlySet<ChannelId> Expected(Template template, string act, LineSource source)
    {
        var wired = Wired(template, act, source).SelectMany(c => c).Concat(Microphones(template, act, source)).ToList();
        var wrong = wired.Where(c => IsCalledOtherwise(template, c)).Select(c => c.Id).ToHashSet();
        var reached = new HashSet<ChannelId>();
        // The sums over a split of another name are right all the same.
        var next = new Queue<Channel>(wired.Concat(Close(template, act, source).SelectMany(c => c)));
        while (next.TryDequeue(out var channel))
        {
            if (!reached.Add(channel.Id))
                continue;
            foreach (var to in Fed(template, channel).Where(c => Runs(c, act)))
                next.Enqueue(to);
        }

        reached.ExceptWith(wrong);
        return reached;
    }

    /// <summary>Where it is to be heard close, by microphone.</summary>
    private static IEnumerable<IEnumerable<Channel>> Close(Template template, string act, LineSource source)
    {
        foreach (var channels in Wired(template, act, source).Select(c => c.ToList()))
        {
            var right = channels.Where(c => !IsCalledOtherwise(template, c)).ToList();
            yield return right.Count == channels.Count ? channels : [.. right, .. CalledAfter(template, act, source)];
        }
    }

    /// <summary>Where the wiring puts it, by microphone: on a split, or on the instrument's own channel.</summary>
    private static IEnumerable<IEnumerable<Channel>> Wired(Template template, string act, LineSource source)
    {
        if (source.PieceIn(template) is not { } piece)
            return [[template.Channels[source.Channel]]];
        return piece.Microphones.Select(m => m.SoundsOn().SelectMany(o => At(template, act, source.Channel, o)));
    }

    private static bool IsCalledOtherwise(Template template, Channel channel) =>
        channel.Source is OutputSource split && SplitKit.Of(template, split.Instrument.Value) is { } kit && SaidDrums.IsCalledOtherwise(channel, kit);

    /// <summary>The splits of the source's kit that are called after its drum.</summary>
    private static IEnumerable<Channel> CalledAfter(Template template, string act, LineSource source) =>
        SaidDrums.Of(source.Name) is { } drum && SplitKit.Of(template, source.Channel.Value) is { } kit
            ? kit.Splits.Where(s => Runs(s, act) && SaidDrums.Of(s.Name) == drum)
            : [];

    /// <summary>What hears it from farther off.</summary>
    private static IEnumerable<Channel> Microphones(Template template, string act, LineSource source) =>
        source.PieceIn(template) is not null && template.Channels[source.Channel].Source is InstrumentSource { Kit: { } kit }
            ? kit.Lines.Where(l => l.Piece is null || (l.Piece.Note != source.Note && l.Microphone.NeighboursDb is not null)).SelectMany(l => l.Microphone.SoundsOn()).SelectMany(o => At(template, act, source.Channel, o))
            : [];

    private static IEnumerable<Channel> At(Template template, string act, ChannelId player, int output) =>
        output == 1
            ? [template.Channels[player]]
            : template.Channels.Where(c => c.Source is OutputSource split && split.Instrument == player && split.Output == output && Runs(c, act));

    private static IEnumerable<Channel> Fed(Template template, Channel channel)
    {
        if (channel.Destination is { } to)
            yield return template.Channels[to];
        foreach (var send in channel.Sends.Where(s => s.Open && !s.Level.IsSilence))
            yield return template.Channels[send.To];
        foreach (var recorder in template.Channels.Where(c => c.Source is InternalSource recorded && recorded.From == channel.Id))
            yield return recorder;
    }

    private static bool Runs(Channel channel, string act) => channel.StageIn(act) != StageState.InTheWings;

    /// <summary>A direct channel is listened to itself.</summary>
    private static ChannelId? AroundTheMain(Template template, LineSource source) =>
        template.Channels[source.Channel].Kind == ChannelKind.Direct ? source.Channel : null;

    private static bool IsFedByReturnsAlone(Template template, ChannelId channel, IReadOnlySet<ChannelId> reached) =>
        template.Channels[channel].Kind == ChannelKind.Return
        && reached.Where(r => Fed(template, template.Channels[r]).Any(to => to.Id == channel)).All(r => template.Channels[r].Kind == ChannelKind.Return);

    private static bool LeadsToMain(Template template, ChannelId channel)
    {
        for (ChannelId? at = channel; at is { } id; at = template.Channels[id].Destination)
            if (id == template.Main.Id)
                return true;
        return false;
    }
}

/// <summary>Where one source arrived.</summary>
/// <param name="Places">Every channel that was heard, in the order of the template.</param>
/// <param name="Missing">Channels that it was to be heard on and was not.</param>
/// <param name="Entries">Where it is heard close.</param>
/// <param name="Twice">Where one microphone is heard close on more than one channel; empty where none is.</param>
public sealed record LineRow(LineSource Source, Sequence<LinePlace> Places, Sequence<ChannelId> Missing, Sequence<ChannelId> Entries, Sequence<ChannelId> Twice)
{
    public LineVerdict Verdict =>
        Places.Count == 0 ? LineVerdict.Nowhere
        : Places.Any(p => !p.Expected) ? LineVerdict.Elsewhere
        : Entries.Count == 0 ? LineVerdict.Nowhere
        : Twice.Count > 0 ? LineVerdict.TooOften
        : Missing.Count > 0 ? LineVerdict.NotEverywhere
        : LineVerdict.Arrived;
}

/// <param name="PeakDbfs">After the fader where it is heard there, else before it.</param>
/// <param name="Expected">Whether it belongs there.</param>
public sealed record LinePlace(ChannelId Channel, double PeakDbfs, bool Expected);

/// <summary>What the line check says of one source.</summary>
public enum LineVerdict
{
    /// <summary>On every channel where it belongs and on no other.</summary>
    Arrived,

    /// <summary>Nobody hears it.</summary>
    Nowhere,

    /// <summary>On a channel where it does not belong.</summary>
    Elsewhere,

    /// <summary>Close on more than one channel.</summary>
    TooOften,

    /// <summary>Not on all channels where it belongs.</summary>
    NotEverywhere,
}
