using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Tapes;

/// <summary>One player or strip of a branch, without what changes no sample: names, colours, notes to people, sends elsewhere.</summary>
/// <param name="IsReadAfterFader">Where the meters of a strip read.</param>
/// <param name="Notes">What a player is played by, or what restarts the duckers of a strip.</param>
internal sealed record Part(Channel Content, bool Plays, bool IsReadAfterFader, Sequence<PlacedNote> Notes)
{
    public static Part Player(Channel channel, NoteRoute notes) => new(
        Bare(channel) with
        {
            // Who performs a hardware input is told by its channel's name.
            Name = channel.Source is InputSource ? channel.Name : "",
            Role = channel.Source is InputSource ? channel.Role : null,
            Source = channel.Source,
            Starters = channel.Starters,
        },
        true, false, channel.Source is InstrumentSource ? [.. notes.Of(channel)] : []);

    /// <param name="isReadAfterFader">Where its meters read.</param>
    /// <param name="within">The channels of the branch; links that leave it change nothing in it.</param>
    public static Part Strip(Channel channel, bool isReadAfterFader, IReadOnlySet<ChannelId> within, Template template, NoteRoute notes) => new(
        Bare(channel) with
        {
            Source = channel.Source is OutputSource or InternalSource ? channel.Source : null,
            PolarityFlipped = channel.PolarityFlipped,
            Inserts = [.. channel.Inserts.Select(i => i with { Notes = Map<string>.Empty, KeptForAutomation = false })],
            Sends = [.. channel.Sends.Where(s => within.Contains(s.To))],
            Feeds = [.. channel.Feeds.Where(f => within.Contains(f.Channel))],
            Level = channel.Level,
            Pan = channel.Pan,
            Muted = channel.Muted,
            Destination = channel.Destination is { } to && within.Contains(to) ? to : null,
        },
        false, isReadAfterFader, Restarts(channel, template, notes));

    private static Channel Bare(Channel channel) =>
        new() { Id = channel.Id, Name = "", Kind = channel.Kind, Format = channel.Format, Shapes = channel.Shapes };

    private static Sequence<PlacedNote> Restarts(Channel channel, Template template, NoteRoute notes) =>
        [.. channel.Inserts
            .Where(i => ProcessorCatalogue.Find(i.Processor) is { HasTrigger: true })
            .Select(i => i.Trigger ?? NoteTrigger.Plain)
            .SelectMany(t => t.Notes.Where(template.Channels.Contains).SelectMany(id => notes.Of(template.Channels[id])).Where(n => t.Hears(n.Number)))];
}
