using HomeStage.Core.Automation;
using HomeStage.Core.Colours;
using HomeStage.Core.Making;
using HomeStage.Core.Notes;
using HomeStage.Core.Playing;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Server.Data;

namespace HomeStage.Server.Api.Views;

/// <summary>A template or song as its screen reads it.</summary>
/// <param name="Channels">In running order.</param>
public sealed record DocumentView(HeadView Head, IReadOnlyList<ChannelView> Channels)
{
    public static DocumentView Of(OpenDocument document) =>
        new(HeadView.Of(document), ChannelRows.Of(document.Template));
}

/// <summary>What is said of the document as a whole.</summary>
/// <param name="KeyName">"D minor"; null while it waits for the song.</param>
/// <param name="Waiting">How many inserts are idle until something comes, the song’s key or a person.</param>
/// <param name="FirstPatches">By processor or instrument the patch that a new one begins with.</param>
/// <param name="NextInput">The hardware input after all that are taken.</param>
public sealed record HeadView(
    string Id, DocumentKind Kind, int Revision, bool CanUndo, bool CanRedo,
    string Name, string Category, IReadOnlyList<string> Tags, string Note,
    MusicalKey? Key, string? KeyName, int SampleRateHz, PanLaw PanLaw, TimelineView Timeline, IReadOnlyList<Act> Acts,
    IReadOnlyList<Groove> Grooves, IReadOnlyList<Patch> Patches, IReadOnlyList<Lever> Levers, IReadOnlyList<ShelfCopy> Copies, Opening? Opening, Parent? Parent,
    int NextInput, int Waiting, IReadOnlyDictionary<string, string> FirstPatches)
{
    public static HeadView Of(OpenDocument document)
    {
        var template = document.Template;
        return new(document.Id, document.Kind, document.Revision, document.CanUndo, document.CanRedo,
            template.Name, template.Category, template.Tags, template.Note,
            template.Key, template.Key?.Name, template.SampleRateHz, template.PanLaw, TimelineView.Of(template.Timeline), template.Acts,
            template.Grooves, template.Patches, template.Levers, template.Copies, template.Opening, template.Parent, ChannelFactory.NextInput(template),
            Core.Templates.Waiting.In(template).Count(w => w.IsIdle), template.FirstPatches);
    }
}

/// <summary>The timeline with what follows from it.</summary>
/// <param name="FeltBeat">Which note the felt beat is: "quarter", "dotted quarter".</param>
/// <param name="CountSeconds">How long what is counted before the first section lasts; 0 for nothing.</param>
/// <param name="FeltBeatsPerMinute">How many of them a minute has.</param>
public sealed record TimelineView(
    double TempoBpm, Meter Meter, string FeltBeat, double FeltBeatsPerMinute, double Seconds, IReadOnlyList<SectionView> Sections, CountIn? CountIn, double CountSeconds)
{
    public static TimelineView Of(Timeline timeline)
    {
        var map = new TimeMap(timeline);
        return new(timeline.TempoBpm, timeline.Meter, FeltBeatName(timeline.Meter),
            timeline.TempoBpm * Ticks.PerQuarter / timeline.Meter.TicksPerFeltBeat, map.LengthSeconds,
            [.. map.Sections.Select(s => new SectionView(
                s.Section.Id, s.Section.Name, s.Section.Bars, s.Section.TempoBpm, s.Section.Meter, s.TempoBpm, s.Meter.ToString(), s.StartSeconds, s.LengthSeconds,
                timeline.CountIn?.LeadSeconds(timeline with { Sections = [s.Section] }) ?? 0))],
            timeline.CountIn, timeline.CountIn?.LeadSeconds(timeline) ?? 0);
    }

    private static string FeltBeatName(Meter meter)
    {
        var (unit, dotted) = meter.IsCompound ? (meter.Unit / 2, "dotted ") : (meter.Unit, "");
        return dotted + (unit switch { 1 => "whole", 2 => "half", 4 => "quarter", 8 => "eighth", 16 => "sixteenth", _ => "thirty-second" });
    }
}

/// <param name="OwnTempoBpm">Null where it takes the timeline's.</param>
/// <param name="CountSeconds">How long what is counted before it lasts, where it is heard alone; 0 for nothing.</param>
/// <param name="OwnMeter">Null where it takes the timeline's.</param>
public sealed record SectionView(
    string Id, string Name, int Bars, double? OwnTempoBpm, Meter? OwnMeter, double TempoBpm, string Meter, double StartSeconds, double Seconds, double CountSeconds);

/// <summary>A channel where it stands in the running order, with what is known of it beyond its own values.</summary>
/// <param name="ComesFrom">Its source in a few words.</param>
/// <param name="KeyedBy">Names of the channels that feed the key inputs of its inserts.</param>
/// <param name="Steers">Names of the channels whose inserts it feeds.</param>
/// <param name="Role">What its name says that it is for.</param>
/// <param name="Held">Values that a curve or a lever holds.</param>
/// <param name="TurnedByHand">Controls of its chains, each as "chain/control", of which something inside was set otherwise since.</param>
/// <param name="Idle">Its inserts that are idle in every act, because what they wait for has not come.</param>
/// <param name="Colour">Null where neither it nor anything that it feeds has a hue.</param>
public sealed record ChannelView(
    Channel Channel, int Depth, double? HueDegrees, int Feeders, string ComesFrom, IReadOnlyList<string> KeyedBy, IReadOnlyList<string> Steers, RoleGuess Role,
    ChannelColour? Colour, IReadOnlyList<HeldValue> Held, IReadOnlyList<InsertId> Idle, IReadOnlyList<string> TurnedByHand)
{
    /// <summary>Whether two rows of one channel show the same; roles follow from the channel and are not asked.</summary>
    internal bool SaysTheSameAs(ChannelView other) =>
        ReferenceEquals(this, other)
        || (ReferenceEquals(Channel, other.Channel) && Depth == other.Depth && HueDegrees == other.HueDegrees && Colour == other.Colour && Feeders == other.Feeders
            && ComesFrom == other.ComesFrom && KeyedBy.SequenceEqual(other.KeyedBy) && Steers.SequenceEqual(other.Steers) && Held.SequenceEqual(other.Held) && Idle.SequenceEqual(other.Idle) && TurnedByHand.SequenceEqual(other.TurnedByHand));
}
