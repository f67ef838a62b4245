using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Ducking;
using HomeStage.Core.LineChecks;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outside;

/// <summary>How a ducker is tried: a voice is held on its channel, and what it gives way to strikes once.</summary>
/// <param name="Voice">Leads to the channel and not to the key.</param>
/// <param name="Hit">Leads to the key; null for a ducker that follows the beat alone.</param>
public sealed record DuckerTrial(Ducker Ducker, LineSource Voice, LineSource? Hit)
{
    /// <param name="sources">Everything that notes fire, with the channels that it is to be heard on.</param>
    /// <returns>Or why it cannot be tried: a sentence without its subject and full stop.</returns>
    public static (DuckerTrial? Trial, string? Why) Of(Template template, string act, Ducker ducker, IReadOnlyList<(LineSource Source, IReadOnlySet<ChannelId> Reached)> sources)
    {
        var channel = template.Channels[ducker.Channel];
        var insert = channel.Inserts.First(i => i.Id == ducker.Insert);
        if (!insert.IsLiveIn(template, act))
            return (null, "is switched off in this act");
        var beatAlone = ducker.Way == DuckingWay.Notes && ducker.By.Count == 0;
        var hits = beatAlone ? [] : ducker.Way == DuckingWay.Level ? ByLevel(template, ducker, sources) : ByNotes(template, ducker, insert.Trigger ?? NoteTrigger.Plain);
        // A hit that is heard on the channel itself would hide how far it goes down.
        var hit = hits.FirstOrDefault(h => sources.FirstOrDefault(s => s.Source == h).Reached?.Contains(ducker.Channel) != true);
        if (!beatAlone && hit is null)
            return (null, hits.Count == 0 ? "has nothing that notes could hit it by" : "hears what is heard on its own channel as well");
        var voices = sources.Where(s => s.Reached.Contains(ducker.Channel) && s.Source.Channel != hit?.Channel && (ducker.Way == DuckingWay.Notes || !ducker.By.Any(s.Reached.Contains)));
        var voice = voices.OrderByDescending(v => v.Source.Channel == ducker.Channel).ThenByDescending(v => Sustain(template, v.Source)).FirstOrDefault().Source;
        return voice is null ? (null, "has no instrument on its channel that could be held") : (new(ducker, voice, hit), null);
    }

    private static List<LineSource> ByLevel(Template template, Ducker ducker, IReadOnlyList<(LineSource Source, IReadOnlySet<ChannelId> Reached)> sources) =>
        [.. ducker.By.Where(b => template.Channels[b] is { Kind: ChannelKind.Trigger, Source: InstrumentSource }).Select(b => LineSource.Plain(template.Channels[b])), .. sources.Where(s => ducker.By.Any(s.Reached.Contains)).Select(s => s.Source)];

    private static List<LineSource> ByNotes(Template template, Ducker ducker, NoteTrigger trigger) =>
        [.. ducker.By.Where(template.Channels.Contains).Select(b => Heard(template.Channels[b], trigger) is var (note, name) ? new LineSource(b, note, name) : LineSource.Plain(template.Channels[b]))];

    private static (int Note, string Name)? Heard(Channel channel, NoteTrigger trigger) =>
        channel.Source is InstrumentSource { Kit: { } kit } && kit.Pieces.FirstOrDefault(p => trigger.Hears(p.Note)) is { } piece ? (piece.Note, piece.Name)
        : trigger.Numbers.Count > 0 ? (trigger.Numbers[0], channel.Name) : null;

    /// <summary>What is held in its own calibration sounds long; a piece of a kit is over at once.</summary>
    private static double Sustain(Template template, LineSource source) =>
        template.Channels[source.Channel].Source is InstrumentSource { Kit: null } played ? InstrumentCatalogue.Find(played.Instrument)?.CalibrationQuarters ?? 1 : 0;
}
