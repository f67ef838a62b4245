using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Ideas;

/// <summary>What came in at one input while something was heard.</summary>
/// <param name="Section">Id of the section that was heard; null for the whole timeline.</param>
/// <param name="StartSeconds">Where in what was heard its first sample came in, by the clock of the sound that was played.</param>
/// <param name="RoundTripSeconds">How long sound takes from that clock to the ear and back in again, in [0, 1].</param>
/// <param name="Bars">How many of the last bars are kept; null for the whole section.</param>
public sealed record HeardSound(ChannelId Channel, string? Section, double StartSeconds, double RoundTripSeconds, int? Bars);

/// <summary>The last bars of what was heard, cut so that they lie on the beat to which they were played.</summary>
/// <param name="Section">Id of the section that they are for.</param>
/// <param name="Bars">How many they are.</param>
public sealed record SoundIdea(MediaSound Sound, string Section, int Bars)
{
    /// <summary>Shorter than this nothing is kept, in seconds.</summary>
    private const double LeastSeconds = 0.1;

    /// <returns>The last bars that were heard to their end, or those that are under way where there are none; or what is in the way.</returns>
    public static (SoundIdea? Idea, Refusal? Why) Of(Template template, HeardSound heard, MediaSound sound)
    {
        if (!template.Channels.TryGet(heard.Channel, out var channel))
            return (null, new Refusal.UnknownChannel(heard.Channel));
        if (channel.Kind is not ChannelKind.Audio)
            return (null, new Refusal.WrongPlace(channel.Name, "keeps no sound; a sound is kept on an audio channel"));
        if (heard.Section is not null && template.Timeline.Sections.All(s => s.Id != heard.Section))
            return (null, new Refusal.Missing("section", heard.Section, "on the timeline"));
        if (!(heard.RoundTripSeconds is >= 0 and <= 1))
            return (null, new Refusal.OutOfRange("The round trip", heard.RoundTripSeconds, 0, 1, "s"));
        if (heard.Bars is < 1 or > 999)
            return (null, new Refusal.OutOfRange("The bars that are kept", heard.Bars.Value, 1, 999, ""));
        var place = new HeardPlace(template.Timeline, heard.Section);
        var around = place.Heard.Sum(s => s.LengthSeconds);
        if (!(heard.StartSeconds >= 0 && heard.StartSeconds < around))
            return (null, new Refusal.OutOfRange("Where it began", heard.StartSeconds, 0, around, "s"));
        var seconds = (double)sound.Lanes[0].Length / sound.SampleRateHz;
        if (seconds < LeastSeconds)
            return (null, new Refusal.OutOfRange("What was heard", seconds, LeastSeconds, HeardPlace.LongestSeconds, "s"));

        // By the clock of the player's ear: what came in was played a round trip earlier.
        var (from, to) = (heard.StartSeconds - heard.RoundTripSeconds, heard.StartSeconds - heard.RoundTripSeconds + seconds);
        var (window, start) = LastWindow(place, around, from, to, heard.Bars);
        var frames = (int)Math.Round(window.Seconds * sound.SampleRateHz);
        var first = (int)Math.Round((start - from) * sound.SampleRateHz);
        return (new(new([.. sound.Lanes.Select(l => Cut(l, first, frames))], sound.SampleRateHz), window.Section.Section.Id, window.Bars), null);
    }

    /// <returns>The channel's new starter: it repeats over the section.</returns>
    public static AudioStarter StarterOf(Channel channel, MediaRef kept, string section) =>
        new(Numbering.Free("Idea", name => channel.Starters.Any(s => s.Name == name)), kept, Loops: true, default, [section]);

    private static (Window Window, double Start) LastWindow(HeardPlace place, double around, double from, double to, int? bars)
    {
        var windows = Windows(place, bars).ToList();
        for (var pass = (int)Math.Floor(to / around); pass >= -1; pass--)
            foreach (var window in Enumerable.Reverse(windows))
                if (pass * around + window.StartSeconds + window.Seconds <= to && pass * around + window.StartSeconds >= Math.Min(from, 0) - 1e-9)
                    return (window, pass * around + window.StartSeconds);
        var last = Math.Max(0, Math.Floor((to - 1e-9) / around));
        var underWay = windows.LastOrDefault(w => last * around + w.StartSeconds < to) ?? windows[0];
        return (underWay, last * around + underWay.StartSeconds);
    }

    private static IEnumerable<Window> Windows(HeardPlace place, int? bars)
    {
        foreach (var section in place.Heard)
        {
            var bar = section.LengthSeconds / section.Section.Bars;
            var kept = Math.Min(bars ?? section.Section.Bars, section.Section.Bars);
            for (var first = 0; first < section.Section.Bars; first += kept)
                yield return new(section, section.StartSeconds - place.Heard[0].StartSeconds + first * bar, kept * bar, kept);
        }
    }

    private static float[] Cut(float[] lane, int first, int frames)
    {
        var cut = new float[frames];
        var (from, to) = (Math.Max(0, first), Math.Min(lane.Length, (long)first + frames));
        if (to > from)
            lane.AsSpan(from, (int)(to - from)).CopyTo(cut.AsSpan(from - first));
        return cut;
    }

    private sealed record Window(PlacedSection Section, double StartSeconds, double Seconds, int Bars);
}
