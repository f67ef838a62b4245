using HomeStage.Core.Compiling;
using HomeStage.Core.Media;
using HomeStage.Core.Routing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Ducking;

/// <summary>What the detector of an insert is fed, and when its hits come.</summary>
/// <param name="Left">Before the key input's cuts; full scale is 1.</param>
/// <param name="Right">As long as <paramref name="Left"/>.</param>
/// <param name="Hits">Frames at which a note of a feeding channel begins; where none has notes, at which what is heard sets in. Ascending, each within the signal.</param>
public sealed record KeySignal(float[] Left, float[] Right, IReadOnlyList<long> Hits, int SampleRateHz)
{
    /// <summary>Whether nothing feeds it yet, so that strokes on every beat were put in place of what will.</summary>
    public bool IsSupposed { get; init; }

    /// <summary>Renders it: a section of what the feeds bring to the insert, and nothing else of the template; where that is nothing, of what they would bring if they struck on every beat.</summary>
    /// <param name="section">Id of a section.</param>
    /// <param name="shelf">Where uploaded sound is found; null for none.</param>
    /// <returns>Or what is in the way.</returns>
    /// <exception cref="OperationCanceledException">Cancelled.</exception>
    public static (KeySignal? Key, Refusal? Why) Of(
        Template template, string act, string section, ChannelId channel, InsertId insert, IMediaShelf? shelf = null, CancellationToken cancellation = default)
    {
        var request = new RenderRequest(act, channel, section) { Point = ListeningPoint.Key, Insert = insert };
        if (request.Check(template) is { } wrong)
            return (null, wrong);
        if (template.Channels[channel].Inserts.First(i => i.Id == insert).Key is not { On: true })
            return (null, new Refusal.WrongPlace($"The key input on {template.Channels[channel].Name}", "is off, so nothing ducks it"));
        var there = Heard(template, request, shelf, cancellation);
        if (there.PeakDbfs > double.NegativeInfinity || there.Hits.Count > 0)
            return (there, null);
        var placed = new Timing.TimeMap(template.Timeline).Find(section)!;
        var supposed = Heard(SupposedStrokes.In(template, placed.Meter, channel, insert), request, shelf, cancellation) with { IsSupposed = true };
        return (supposed.PeakDbfs > double.NegativeInfinity ? supposed : there, null);
    }

    private static KeySignal Heard(Template template, RenderRequest request, IMediaShelf? shelf, CancellationToken cancellation)
    {
        var (channel, insert) = (request.ListenTo!.Value, request.Insert!.Value);
        var sound = Renderer.Unmetered(new(FeedsAlone(template, request.Act, channel, insert)), request, shelf: shelf, cancellation: cancellation);
        var notes = HitsOf(template, request.Act, request.Section!, channel, insert, sound);
        return new(sound.Left, sound.Right, notes.Count > 0 ? notes : Onsets.Of(sound.Left, sound.Right, template.SampleRateHz), template.SampleRateHz);
    }

    /// <summary>The largest level at the detector's input, in dBFS; −∞ for silence.</summary>
    public double PeakDbfs => 20 * Math.Log10(Math.Max(Left.Select(Math.Abs).DefaultIfEmpty(0).Max(), Right.Select(Math.Abs).DefaultIfEmpty(0).Max()));

    /// <returns>The template in which only what leads to the key sounds: what the ducked channel itself plays is no part of its key.</returns>
    private static Template FeedsAlone(Template template, string act, ChannelId channel, InsertId insert)
    {
        var compiled = new CompiledTemplate(template).In(act);
        var place = template.Channels.IndexOf(channel);
        var detector = compiled.Graph.InsertOf(place, template.Channels[channel].Inserts.IndexWhere(i => i.Id == insert));
        var feeding = compiled.Entering[detector].Select(l => compiled.Graph.Links[l]).Where(l => l.Kind == LinkKind.Key).Select(l => l.From);
        HashSet<int> leading = [.. compiled.Upstream(feeding).Select(s => compiled.Graph.Stages[s].Channel)];
        return template with
        {
            Channels = template.Channels.Where((_, i) => !leading.Contains(i)).Aggregate(template.Channels, (all, silent) => all.Replace(silent with { Source = null, Starters = [] })),
        };
    }

    private static List<long> HitsOf(Template template, string act, string section, ChannelId channel, InsertId insert, RenderedSound sound)
    {
        var placed = new Timing.TimeMap(template.Timeline).Find(section)!;
        var notes = new Playing.NoteRoute(template, act);
        return [.. template.Channels.Where(c => c.Feeds.Any(f => f.Channel == channel && f.Insert == insert) && c.StageIn(act) != StageState.InTheWings)
            .SelectMany(c => notes.Of(c)).Select(n => (long)Math.Round((n.StartSeconds - placed.StartSeconds) * template.SampleRateHz))
            .Where(f => f >= 0 && f < sound.Left.Length).Distinct().Order()];
    }
}
