using HomeStage.Core.Compiling;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck;

/// <summary>Why nothing is heard at a channel: how far sound would have come, and what stops it there.</summary>
public static class WhySilent
{
    private const int MostReasons = 4;

    /// <param name="channel">The listening point.</param>
    /// <returns>The nearest to the listening point first; empty where sound should arrive.</returns>
    /// <exception cref="ArgumentException">The template has no such act.</exception>
    public static Sequence<SilentReason> At(Template template, ChannelId channel, string act) => At(new CompiledTemplate(template).In(act), channel);

    /// <summary>The same of a template that is compiled already.</summary>
    /// <param name="pastItsFader">Whether one listens after the channel's fader.</param>
    public static Sequence<SilentReason> At(CompiledAct compiled, ChannelId channel, bool pastItsFader = true)
    {
        var look = new Look(compiled.Template, compiled.Act, compiled.Notes);
        return look.Sounds(compiled.Template.Channels[channel], pastItsFader) ? [] : look.Reasons.Distinct().Take(MostReasons).ToSequence();
    }

    /// <summary>One walk against the signal.</summary>
    private sealed class Look(Template template, string act, NoteRoute notes)
    {
        private readonly HashSet<ChannelId> _seen = [];

        public List<SilentReason> Reasons { get; } = [];

        /// <param name="pastItsFader">Whether its fader stands in the way; before it, a fader that is down stops nothing.</param>
        /// <returns>Whether sound comes out of a channel; where none does, what stops it is among the reasons.</returns>
        public bool Sounds(Channel channel, bool pastItsFader)
        {
            if (!_seen.Add(channel.Id))
                return false;
            if (Stopped(channel, pastItsFader) is { } stop)
            {
                Reasons.Add(new(channel.Name, stop));
                return false;
            }

            if (Own(channel) is not { } why)
                return true;
            var feeders = template.Channels.Select(c => (From: c, Taps: Taps(c, channel).ToList())).Where(f => f.Taps.Count > 0).ToList();
            if (feeders.Exists(f => Sounds(f.From, !f.Taps.Contains(TapPoint.Pre))))
                return true;
            if (feeders.Count == 0)
                Reasons.Add(why);
            return false;
        }

        /// <returns>Where one channel is tapped for another; empty where it does not feed it.</returns>
        private static IEnumerable<TapPoint> Taps(Channel from, Channel to)
        {
            if (from.Destination == to.Id)
                yield return TapPoint.Post;
            foreach (var send in from.Sends.Where(s => s.To == to.Id && s.Open && !s.Level.IsSilence))
                yield return send.Tap;
            if (to.Source is InternalSource recorded && recorded.From == from.Id)
                yield return recorded.Tap;
        }

        private string? Stopped(Channel channel, bool pastItsFader) => channel switch
        {
            _ when channel.StageIn(act) == StageState.InTheWings => "rests in the wings",
            { Muted: true } => "is muted",
            { Level.IsSilence: true } when pastItsFader => "has its fader all the way down",
            { Source: OutputSource { Monitored: false } } => "is not monitored",
            _ => null,
        };

        /// <returns>Why a channel makes no sound of its own; null where it makes some.</returns>
        private SilentReason? Own(Channel channel) => channel switch
        {
            { Starters.Count: > 0 } => null,
            { Source: InputSource { Monitored: true } } => null,
            { Source: InputSource } => new(channel.Name, "is not monitored, and no sound is laid on it"),
            { Source: InstrumentSource { Kit: { } kit } } when notes.Of(channel).Count > 0 && !kit.Lines.Any(l => l.SoundsOn(1)) => new(channel.Name, "lets all its pieces leave by its splits"),
            { Source: InstrumentSource } => Unplayed(channel),
            { Source: OutputSource split } => Unplayed(template.Channels[split.Instrument]),
            { Source: null, Kind: ChannelKind.Audio or ChannelKind.Direct } => new(channel.Name, "has no input and no sound laid on it"),
            _ => new(channel.Name, "is fed by nothing"),
        };

        /// <summary>What stops at an instrument stops there for all its splits.</summary>
        private SilentReason? Unplayed(Channel player) =>
            player.StageIn(act) == StageState.InTheWings ? new(player.Name, "rests in the wings")
            : notes.Of(player).Count > 0 ? null : new(player.Name, "plays no notes");
    }
}
