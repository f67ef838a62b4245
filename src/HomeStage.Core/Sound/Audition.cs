using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound;

/// <summary>One note of one channel alone, through the template's own path: its strip, its splits, its sends and sums.</summary>
/// <remarks>Everything else is still; what stands prepared over sections does not move.</remarks>
public static class Audition
{
    /// <summary>How long the note is held.</summary>
    public const double HeldSeconds = 0.5;

    /// <summary>How long what is heard of it lasts.</summary>
    public const double Seconds = 3;

    private const string Section = "Audition";

    /// <returns>What is wrong with the wish, or null.</returns>
    public static Refusal? Check(Template template, string act, ChannelId channel, int note, int velocity)
    {
        if (template.Acts.All(a => a.Id != act))
            return new Refusal.Missing("act", act, "in this template");
        if (!template.Channels.TryGet(channel, out var played))
            return new Refusal.UnknownChannel(channel);
        if (played.Source is not InstrumentSource && played.Kind != ChannelKind.Notes)
            return new Refusal.WrongPlace(played.Name, "plays no notes; an instrument or a notes channel does");
        if (played.StageIn(act) == StageState.InTheWings)
            return new Refusal.WrongPlace(played.Name, "rests in the wings in this act, so there is nothing to hear");
        if (note is < 0 or > 127)
            return new Refusal.OutOfRange("A note", note, 0, 127, "");
        return velocity is < 1 or > 127 ? new Refusal.OutOfRange("A velocity", velocity, 1, 127, "") : null;
    }

    /// <returns>What is wrong with the wish to hear a hardware input, or null.</returns>
    public static Refusal? CheckInput(Template template, string act, ChannelId channel)
    {
        if (template.Acts.All(a => a.Id != act))
            return new Refusal.Missing("act", act, "in this template");
        if (!template.Channels.TryGet(channel, out var taking))
            return new Refusal.UnknownChannel(channel);
        if (taking.Source is not InputSource { Monitored: true })
            return new Refusal.WrongPlace(taking.Name, "monitors no hardware input");
        return taking.StageIn(act) == StageState.InTheWings ? new Refusal.WrongPlace(taking.Name, "rests in the wings in this act, so there is nothing to hear") : null;
    }

    /// <param name="note">MIDI note number, in [0, 127].</param>
    /// <param name="velocity">In [1, 127].</param>
    /// <returns>The template with that note and nothing else in it, at the tempo of its start. Render its only section.</returns>
    public static Template Of(Template template, ChannelId channel, int note, int velocity, double seconds = Seconds) =>
        OfAll(template, channel, [note], 0, velocity, seconds);

    /// <summary>Several notes one after the other.</summary>
    /// <param name="notes">MIDI note numbers, in [0, 127].</param>
    /// <param name="apartSeconds">From one to the next, at least 0.</param>
    /// <param name="seconds">How long all of it lasts.</param>
    public static Template OfAll(Template template, ChannelId channel, IReadOnlyList<int> notes, double apartSeconds, int velocity, double seconds)
    {
        var (timeline, secondsABar) = Lasting(template, seconds);
        var length = timeline.TicksOf(timeline.Sections[0]);
        var ticksASecond = timeline.Meter.TicksPerBar / secondsABar;
        var held = Math.Max(1, (int)(HeldSeconds * ticksASecond));
        var hits = notes.Select((note, i) => (Note: note, Start: (long)(i * apartSeconds * ticksASecond))).Where(h => h.Start < length)
            .Select(h => new Note((int)h.Start, (int)Math.Min(held, length - h.Start), h.Note, velocity));
        var pattern = new Pattern("Audition", (int)length, hits.ToSequence(), []);
        var played = template.Channels[channel];
        HashSet<ChannelId> playing = [channel, .. played.Plays, .. played.NoteInput?.Layers ?? []];
        return template with
        {
            Timeline = timeline,
            Channels = template.Channels
                .Select(c => Still(c, playing.Contains(c.Id)) with { Patterns = c.Id == channel ? [pattern] : [] })
                .Aggregate(template.Channels, (list, c) => list.Replace(c)),
        };
    }

    /// <returns>The template with one hardware input and nothing else in it; every channel that monitors that input is heard.</returns>
    /// <param name="channel">A channel with a hardware input.</param>
    public static Template OfInput(Template template, ChannelId channel, double seconds = Seconds)
    {
        var input = (InputSource)template.Channels[channel].Source!;
        return template with
        {
            Timeline = Lasting(template, seconds).Timeline,
            Channels = template.Channels
                .Select(c => Still(c, plays: false) with
                {
                    Patterns = [],
                    Source = c.Source is InputSource { Monitored: true } same && (same.First, same.Second) == (input.First, input.Second) ? c.Source : Still(c, plays: false).Source,
                })
                .Aggregate(template.Channels, (list, c) => list.Replace(c)),
        };
    }

    /// <returns>The template with every instrument in its place and nothing that plays: no starters, no grooves, no hardware inputs.</returns>
    public static Template Quiet(Template template) => template with
    {
        Channels = template.Channels.Select(c => Still(c, plays: true) with { Patterns = [] }).Aggregate(template.Channels, (list, c) => list.Replace(c)),
    };

    private static (Timeline Timeline, double SecondsABar) Lasting(Template template, double seconds)
    {
        var start = new TimeMap(template.Timeline).Sections[0];
        var secondsABar = NoteValue.Seconds(start.Meter.TicksPerBar, start.TempoBpm);
        return (new(start.TempoBpm, start.Meter, [new("audition", Section, (int)Math.Ceiling(seconds / secondsABar))]), secondsABar);
    }

    private static Channel Still(Channel channel, bool plays) => channel with
    {
        Starters = [],
        Groove = null,
        Source = channel.Source switch
        {
            InputSource input => input with { Monitored = false, Armed = false },
            InstrumentSource when !plays => null,
            var other => other,
        },
    };
}
