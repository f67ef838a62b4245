using HomeStage.Core.Playing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Ducking;

/// <summary>A template before its first song plays nothing, and its duckers are set all the same: what steers them strikes on every beat, as it may one day.</summary>
internal static class SupposedStrokes
{
    /// <returns>The template in which the triggers, instruments and outputs of kits that feed an insert strike on every beat; it alone where none of them can.</returns>
    public static Template In(Template template, Meter meter, ChannelId channel, InsertId insert)
    {
        var feeding = template.Channels.Where(c => c.Feeds.Any(f => f.Channel == channel && f.Insert == insert)).ToList();
        var strokes = feeding.Select(c => c.Source switch
        {
            InstrumentSource => (Player: (ChannelId?)c.Id, Notes: (IReadOnlyCollection<int>)[]),
            OutputSource split when template.Channels[split.Instrument].Source is InstrumentSource { Kit: { } kit } =>
                (split.Instrument, [.. kit.Lines.Where(l => l.Output == split.Output && l.Piece is not null).Select(l => l.Piece!.Note)]),
            _ => (null, []),
        }).Where(s => s.Player is not null);
        return strokes.Aggregate(template, (now, s) => BeatStrokes.Of(now.Channels[s.Player!.Value], meter, s.Notes) is { } pattern
            ? now.Replace(now.Channels[s.Player.Value] with { Patterns = now.Channels[s.Player.Value].Patterns.Append(pattern).ToSequence() })
            : now);
    }
}
