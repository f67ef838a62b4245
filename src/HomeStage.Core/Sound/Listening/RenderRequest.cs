using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Listening;

/// <summary>What shall be heard.</summary>
/// <param name="Act">Id of the act, which says what rests in the wings.</param>
/// <param name="ListenTo">The channel to be heard; null for the main.</param>
/// <param name="Section">Name of the one section to be rendered; null for the whole timeline.</param>
public sealed record RenderRequest(string Act, ChannelId? ListenTo = null, string? Section = null)
{
    /// <summary>Where on the channel.</summary>
    public ListeningPoint Point { get; init; }

    /// <summary>The insert at which the point lies; null for points that lie at none.</summary>
    public InsertId? Insert { get; init; }

    /// <summary>What comes before a section; of no meaning for the whole timeline.</summary>
    public RenderLead Lead { get; init; }

    /// <summary>Whether its notes are played live: what goes by them cannot begin before they come, and follows. Never with tapes.</summary>
    public bool PlayedLive { get; init; }

    /// <summary>Whether all meters run on every channel on the way, rather than peak, RMS and correlation alone.</summary>
    public bool MetersInFull { get; init; }

    /// <summary>Whether the count-in and the click are heard with it; before one section in its own meter and tempo. Of no meaning where nothing is counted.</summary>
    public bool CountedIn { get; init; }

    /// <summary>The longest render, in seconds.</summary>
    public const double LongestSeconds = 1200;

    /// <returns>What is wrong with it, or null.</returns>
    public Refusal? Check(Template template)
    {
        if (template.Acts.All(a => a.Id != Act))
            return new Refusal.Missing("act", Act, "in this template");
        if (ListenTo is { } id && !template.Channels.TryGet(id, out _))
            return new Refusal.UnknownChannel(id);
        if (ListenTo is { } listened && template.Channels[listened].StageIn(Act) == StageState.InTheWings)
            return new Refusal.WrongPlace(template.Channels[listened].Name, "rests in the wings in this act, so there is nothing to hear");
        if (Point.IsWithin() && CheckInsert(template) is { } noInsert)
            return noInsert;
        if (Section is not null && template.Timeline.Sections.All(s => s.Id != Section))
            return new Refusal.Missing("section", Section, "on the timeline");
        var range = RenderRange.Of(template, this);
        var count = IsCounted(template) ? template.Timeline.CountIn!.LeadSeconds(Heard(template.Timeline)) : 0;
        return count + range.LeadSeconds + range.Seconds is var seconds && seconds > LongestSeconds ? new Refusal.OutOfRange("The length of a render", seconds, 0, LongestSeconds, "s") : null;
    }

    /// <returns>Whether there is something to be counted in this render.</returns>
    public bool IsCounted(Template template) => CountedIn && template.Timeline.CountIn is { } count && (count.Bars > 0 || count.Click);

    /// <returns>What is heard of the timeline: all of it, or the one section alone with the tempo and meter that it has.</returns>
    public Timeline Heard(Timeline timeline) =>
        timeline.Sections.FirstOrDefault(s => s.Id == Section) is { } section ? timeline with { Sections = [section] } : timeline;

    private Refusal? CheckInsert(Template template)
    {
        var channel = template.Channels[ListenTo ?? template.Main.Id];
        if (channel.Inserts.FirstOrDefault(i => i.Id == Insert) is not { } insert)
            return new Refusal.Missing("insert", Insert?.Value ?? "", $"on {channel.Name}");
        return Point is not (ListeningPoint.Key or ListeningPoint.Detector) || insert.TakesKey()
            ? null
            : new Refusal.WrongPlace($"{insert.Processor} on {channel.Name}", "has no detector with a key input to listen to");
    }
}
