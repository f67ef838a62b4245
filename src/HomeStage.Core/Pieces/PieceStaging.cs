using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>A template with a piece in it: its channels behind all others, led to what they are joined with.</summary>
internal sealed class PieceStaging(Template template, SetPiece piece, IReadOnlyList<PieceJoint> joints, PieceNames names)
{
    private readonly Dictionary<ChannelId, ChannelId> _joined = joints.Where(j => j.To is not null).ToDictionary(j => j.Outside, j => j.To!.Value);
    private readonly Dictionary<ChannelId, PieceLink> _links = joints.ToDictionary(j => j.Outside, j => PieceLink.Of(piece, piece.Stage.Channels[j.Outside]));
    private readonly Dictionary<string, string> _sections = SectionsByName(template, piece);
    private readonly Dictionary<string, string> _acts = ActsByName(template, piece);
    private readonly List<string> _notes = [];

    public (Template Template, IReadOnlyList<string> Notes) Staged()
    {
        var put = names.Channels.Select(Put).ToList();
        var there = template.Channels.Select(Leading);
        var grooves = template.Grooves.Concat(names.NewGrooves).OrderBy(g => g.Name, StringComparer.Ordinal).ToSequence();
        var levers = template.Levers.Concat(piece.Stage.Levers.Select(l => l with
        {
            Id = names.LeverOf(l.Id).Id,
            Name = names.LeverOf(l.Id).Name,
            Ranges = l.Ranges.Select(r => r with { Channel = names.Of(r.Channel), Target = Led(r.Target) ?? r.Target }).ToSequence(),
            Shapes = l.Shapes.Where(s => _sections.ContainsKey(s.Section)).Select(s => s with { Section = _sections[s.Section] }).ToSequence(),
        })).OrderBy(l => l.Id, StringComparer.Ordinal).ToSequence();
        return (template with { Channels = ChannelList.From(there.Concat(put)), Grooves = grooves, Levers = levers }, _notes);
    }

    /// <summary>By section of the piece the one of that name here.</summary>
    private static Dictionary<string, string> SectionsByName(Template template, SetPiece piece)
    {
        var found = new Dictionary<string, string>();
        foreach (var section in piece.Stage.Timeline.Sections)
            if (template.Timeline.Sections.FirstOrDefault(s => string.Equals(s.Name, section.Name, StringComparison.OrdinalIgnoreCase)) is { } same)
                found[section.Id] = same.Id;
        return found;
    }

    private static Dictionary<string, string> ActsByName(Template template, SetPiece piece)
    {
        var found = new Dictionary<string, string>();
        foreach (var act in piece.Stage.Acts)
            if ((template.Acts.FirstOrDefault(a => a.Id == act.Id) ?? template.Acts.FirstOrDefault(a => string.Equals(a.Name, act.Name, StringComparison.OrdinalIgnoreCase))) is { } same)
                found[act.Id] = same.Id;
        return found;
    }

    private Channel Put(Channel channel)
    {
        var isAlong = piece.Outside.Contains(channel.Id);
        var feeds = channel.Feeds.Select(f => Led(f)).OfType<SidechainFeed>().DistinctBy(f => f.Channel).ToSequence();
        var led = ChannelReferences.Redirected(channel with { Feeds = [] }, (kind, to) =>
            names.IsPutIn(to) ? names.Of(to)
            : kind == ReferenceKind.Destination ? (isAlong ? WhereReturnsGo() : _joined.GetValueOrDefault(to, ChannelFactory.MixBus(template)))
            : _joined.TryGetValue(to, out var here) ? here
            : null);
        var stages = channel.Stages.Where(s => _acts.ContainsKey(s.Key)).Aggregate(Map<StageState>.Empty, (all, s) => all.With(_acts[s.Key], s.Value));
        return ConnectionOrder.Sorted(led with
        {
            Id = names.Of(channel.Id),
            Name = names.NameOf(channel.Id),
            Feeds = feeds,
            Sends = led.Sends.DistinctBy(s => s.To).ToSequence(),
            Plays = led.Plays.Distinct().ToSequence(),
            Groove = channel.Groove is { } groove ? names.GrooveOf(groove) : null,
            Stages = stages,
            Inserts = led.Inserts.Select(i => i.ParkedIn.Count == 0 ? i : i with { ParkedIn = i.ParkedIn.Where(_acts.ContainsKey).Select(a => _acts[a]).Distinct().ToSequence() }).ToSequence(),
            Patterns = Placed(channel, channel.Patterns, p => p.Name, p => p.Sections, (p, here) => p with { Sections = here }),
            Starters = Placed(channel, channel.Starters, s => s.Name, s => s.Sections, (s, here) => s with { Sections = here }),
            Shapes = Curves(channel, led),
        });
    }

    private ChannelId WhereReturnsGo() => template.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Return && c.Destination is not null)?.Destination ?? ChannelFactory.MixBus(template);

    /// <summary>Starters where the sections that they played in are here. Where none of a channel's is, the one that played longest plays all through; they do not play all at once.</summary>
    private Sequence<T> Placed<T>(Channel channel, Sequence<T> starters, Func<T, string> nameOf, Func<T, Sequence<string>> sectionsOf, Func<T, Sequence<string>, T> playingIn)
    {
        var lost = starters.Where(s => sectionsOf(s).Count > 0 && !sectionsOf(s).Any(_sections.ContainsKey)).ToList();
        var through = lost.Count == starters.Count ? lost.OrderByDescending(s => piece.Stage.Timeline.Sections.Where(x => sectionsOf(s).Contains(x.Id)).Sum(x => x.Bars)).Take(1).ToList() : [];
        var left = lost.Except(through).Select(nameOf).ToList();
        if (through.Count > 0)
            _notes.Add($"{nameOf(through[0])} of {channel.Name} plays in every section: those that it played in are not here.");
        if (left.Count > 0)
            _notes.Add($"{string.Join(", ", left)} of {channel.Name} {(left.Count == 1 ? "is" : "are")} left out: the sections are not here.");
        return starters.Where(s => !left.Contains(nameOf(s))).Select(s => playingIn(s, sectionsOf(s).Where(_sections.ContainsKey).Select(i => _sections[i]).Distinct().ToSequence())).ToSequence();
    }

    private Sequence<Automation.Shape> Curves(Channel channel, Channel led)
    {
        var lost = channel.Shapes.Where(s => !_sections.ContainsKey(s.Section)).ToList();
        if (lost.Count > 0)
            _notes.Add($"{(lost.Count == 1 ? "A curve" : $"{lost.Count} curves")} of {channel.Name} {(lost.Count == 1 ? "is" : "are")} left out: the section is not here.");
        return led.Shapes.Where(s => _sections.ContainsKey(s.Section)).Select(s => s with { Section = _sections[s.Section] }).DistinctBy(s => (s.Target, s.Section)).ToSequence();
    }

    private Automation.Target? Led(Automation.Target target) => target is Automation.SendTarget moved
        ? names.IsPutIn(moved.To) ? new Automation.SendTarget(names.Of(moved.To)) : _joined.TryGetValue(moved.To, out var here) ? new Automation.SendTarget(here) : null
        : target;

    /// <summary>To the key of the piece's own, or of what stands here for what it steered.</summary>
    private SidechainFeed? Led(SidechainFeed feed) =>
        names.IsPutIn(feed.Channel) ? feed with { Channel = names.Of(feed.Channel) }
        : _joined.TryGetValue(feed.Channel, out var here) && _links[feed.Channel].KeyOn(template.Channels[here], feed.Insert) is { } insert ? feed with { Channel = here, Insert = insert }
        : null;

    /// <summary>What stands here for something that led into the piece leads into it as that did.</summary>
    private Channel Leading(Channel channel)
    {
        var meant = _joined.Where(j => j.Value == channel.Id).Select(j => piece.Stage.Channels[j.Key]).ToList();
        var feeds = meant.SelectMany(o => o.Feeds).Where(f => names.IsPutIn(f.Channel)).Select(f => f with { Channel = names.Of(f.Channel) }).DistinctBy(f => f.Channel).ToList();
        var plays = meant.SelectMany(o => o.Plays).Where(names.IsPutIn).Select(names.Of).Distinct().ToList();
        return feeds.Count == 0 && plays.Count == 0 ? channel : ConnectionOrder.Sorted(channel with
        {
            Feeds = channel.Feeds.Concat(feeds).ToSequence(),
            Plays = channel.Plays.Concat(plays).ToSequence(),
        });
    }
}
