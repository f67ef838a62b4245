using HomeStage.Core.Catalogue;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>Takes a branch out of a template as a set piece; the template stays as it is.</summary>
public static class PieceCut
{
    /// <param name="chosen">Channels of the template; what stands under them comes along.</param>
    /// <returns>The piece and the name that it bears here; null where one is not there, or is the main.</returns>
    public static (SetPiece Piece, string Name)? Of(Template template, IReadOnlyList<ChannelId> chosen)
    {
        if (chosen.Count == 0 || chosen.Any(id => !template.Channels.TryGet(id, out var channel) || channel.Kind == ChannelKind.Main))
            return null;
        var own = PieceBranch.Of(template, chosen);
        var outside = PieceBranch.Outside(template, own);
        var kept = template.Channels.Where(c => own.Contains(c.Id) || outside.Contains(c.Id)).Select(c => own.Contains(c.Id) ? Own(template, c, own) : Bare(template, c, own));
        var name = template.Channels[chosen[0]].Name;
        var stage = new Template
        {
            Name = name,
            Key = template.Key,
            SampleRateHz = template.SampleRateHz,
            PanLaw = template.PanLaw,
            Timeline = template.Timeline,
            Acts = template.Acts,
            Grooves = template.Grooves.Where(g => template.Channels.Any(c => own.Contains(c.Id) && c.Groove == g.Name)).ToSequence(),
            Levers = template.Levers.Where(l => l.Ranges.Count > 0 && l.Ranges.All(r => own.Contains(r.Channel))).ToSequence(),
            Channels = ChannelList.From(kept),
        };
        return (new(stage, outside, PieceLevels.Of(template, own)), name);
    }

    /// <summary>As it stands, its colour with it; curves of sends that are gone stay behind.</summary>
    private static Channel Own(Template template, Channel channel, HashSet<ChannelId> own)
    {
        var sent = channel.Sends.Select(s => s.To).ToHashSet();
        var isTop = channel.Destination is not { } under || !own.Contains(under);
        return channel with
        {
            HueDegrees = channel.HueDegrees ?? (isTop ? HueOf(template, channel) : null),
            Shapes = channel.Shapes.Where(s => s.Target is not Automation.SendTarget moved || sent.Contains(moved.To)).ToSequence(),
        };
    }

    private static double? HueOf(Template template, Channel channel)
    {
        var seen = new HashSet<ChannelId>();
        for (var at = channel; seen.Add(at.Id);)
        {
            if (at.HueDegrees is { } hue)
                return hue;
            if (at.Destination is not { } under)
                return null;
            at = template.Channels[under];
        }

        return null;
    }

    /// <summary>A neighbour: its name, what it is for, and how it is joined. Returns and triggers stay whole, so that they can come along where there is none.</summary>
    private static Channel Bare(Template template, Channel channel, HashSet<ChannelId> own)
    {
        var fed = template.Channels.Where(c => own.Contains(c.Id)).SelectMany(c => c.Feeds).Where(f => f.Channel == channel.Id).Select(f => f.Insert).ToHashSet();
        var isWhole = PieceJoint.MayComeAlong(channel.Kind);
        var role = ChannelRole.Of(channel).Role;
        var linked = ChannelReferences.Redirected(channel, (kind, to) => own.Contains(to) && kind is ReferenceKind.Feed or ReferenceKind.Plays ? to : null);
        return (isWhole ? linked : new Channel { Id = channel.Id, Name = channel.Name, Kind = channel.Kind, Format = channel.Format, OutputPair = channel.OutputPair, Feeds = linked.Feeds, Plays = linked.Plays }) with
        {
            Kind = channel.Kind == ChannelKind.Split ? ChannelKind.Audio : channel.Kind,
            Role = channel.Role ?? (role == RoleNames.Unknown ? null : role),
            HueDegrees = isWhole ? HueOf(template, channel) : null,
            Destination = Capabilities.Of(channel.Kind).FeedsASum ? template.Main.Id : null,
            Source = isWhole ? channel.Source : channel.Kind is ChannelKind.Instrument ? new InstrumentSource(InstrumentCatalogue.Bellbuoy) : null,
            Inserts = channel.Inserts.Where(i => fed.Contains(i.Id) || (isWhole && !WaitsForAnother(i)))
                .Select(i => i.Trigger is { } trigger ? i with { Trigger = trigger with { Notes = [] } } : i).ToSequence(),
            Groove = null,
        };
    }

    /// <summary>What gives way to something that is not in the piece would do nothing where it comes along.</summary>
    private static bool WaitsForAnother(Insert insert) => insert.Key is { On: true } || insert.Trigger is { Notes.Count: > 0 };
}
