using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>How something outside a piece is joined with it, both ways.</summary>
/// <param name="Led">What of the piece leads there, and how.</param>
/// <param name="Steered">What of the piece it leads to: those whose keys it feeds, or whose instruments it plays.</param>
internal sealed record PieceLink(Channel Outside, IReadOnlyList<(Channel From, ReferenceKind Kind)> Led, IReadOnlyList<Channel> Steered)
{
    private const int MostNamed = 2;

    public bool IsJoined => Led.Count > 0 || Steered.Count > 0;

    public static PieceLink Of(SetPiece piece, Channel outside)
    {
        var own = piece.Own.ToList();
        var steered = outside.Feeds.Select(f => f.Channel).Concat(outside.Plays).ToHashSet();
        return new(
            outside,
            [.. own.SelectMany(c => ChannelReferences.Of(c).Where(r => r.To == outside.Id && r.Kind != ReferenceKind.CurvedSend).Select(r => (c, r.Kind)).Distinct())],
            own.FindAll(c => steered.Contains(c.Id)));
    }

    /// <summary>Whether a channel of a template could stand for what is outside, in all the ways in which it is joined.</summary>
    public bool Fits(Template template, Channel channel)
    {
        var can = Capabilities.Of(channel.Kind);
        return Led.All(l => l.Kind switch
        {
            ReferenceKind.Destination => can.Sums,
            ReferenceKind.Send => can.TakesSends,
            ReferenceKind.Feed => l.From.Feeds.Where(f => f.Channel == Outside.Id).All(f => KeyOn(channel, f.Insert) is not null),
            ReferenceKind.NoteTrigger => can.GivesNotes,
            ReferenceKind.Plays or ReferenceKind.Layer => can.IsPlayed,
            ReferenceKind.Print => channel.Kind == ChannelKind.Audio && !template.IsPrintChannel(channel),
            ReferenceKind.Recorded => can.Sounds,
            ReferenceKind.SplitOf or ReferenceKind.CurvedSend => false,
            _ => throw new ArgumentOutOfRangeException(nameof(template), l.Kind, "Unknown kind of reference."),
        }) && (Outside.Feeds.Count == 0 || can.FeedsKeys) && (Outside.Plays.Count == 0 || channel.Kind == ChannelKind.Notes);
    }

    /// <returns>The insert there whose key is fed in place of one outside: of the same processor, and with its key input on where there is one.</returns>
    public InsertId? KeyOn(Channel channel, InsertId fed)
    {
        var meant = Outside.Inserts.FirstOrDefault(i => i.Id == fed);
        return channel.Inserts.Where(i => i.Processor == meant?.Processor && i.Key is not null).OrderByDescending(i => i.Key!.On).ThenByDescending(i => i.Id == fed).FirstOrDefault()?.Id;
    }

    public string Words => string.Join("; ", Led.GroupBy(l => l.Kind).Select(g => Said(g.Key, Names(g.Select(l => l.From)), g.Count() > 1))
        .Concat(Steered.Count == 0 ? [] : [Outside.Plays.Count > 0 ? $"plays {Names(Steered)}" : $"steers {Names(Steered)}"]));

    /// <returns>What is lost where it is joined with nothing.</returns>
    public string Lost(Template template) => string.Join(" ", Led.GroupBy(l => l.Kind).Select(g => (Kind: g.Key, Who: Names(g.Select(l => l.From)), Many: g.Count() > 1)).Select(g => g.Kind switch
    {
        ReferenceKind.Destination => $"{g.Who} {(g.Many ? "go" : "goes")} to {template.Channels[Making.ChannelFactory.MixBus(template)].Name}.",
        ReferenceKind.Send => $"{g.Who} {(g.Many ? "send" : "sends")} nothing there.",
        ReferenceKind.Feed => $"{g.Who} {(g.Many ? "steer" : "steers")} nothing there.",
        ReferenceKind.NoteTrigger => $"No notes restart {g.Who}.",
        ReferenceKind.Plays or ReferenceKind.Layer => $"{g.Who} {(g.Many ? "play" : "plays")} no other instrument.",
        ReferenceKind.Print => $"{g.Who} {(g.Many ? "have" : "has")} no channel for a print.",
        ReferenceKind.Recorded => $"{g.Who} {(g.Many ? "record" : "records")} nothing.",
        _ => "",
    }).Concat(Steered.Count == 0 ? [] : [$"Nothing {(Outside.Plays.Count > 0 ? "plays" : "steers")} {Names(Steered)}."]));

    private static string Said(ReferenceKind kind, string who, bool many) => kind switch
    {
        ReferenceKind.Destination => $"{who} {(many ? "go" : "goes")} there",
        ReferenceKind.Send => $"{who} {(many ? "send" : "sends")} to it",
        ReferenceKind.Feed => $"{who} {(many ? "steer" : "steers")} it",
        ReferenceKind.NoteTrigger => $"its notes restart {who}",
        ReferenceKind.Plays or ReferenceKind.Layer => $"{who} {(many ? "play" : "plays")} it as well",
        ReferenceKind.Print => $"takes the print of {who}",
        ReferenceKind.Recorded => $"{who} {(many ? "record" : "records")} it",
        _ => who,
    };

    private static string Names(IEnumerable<Channel> channels)
    {
        var names = channels.Select(c => c.Name).Distinct().ToList();
        return names.Count <= MostNamed ? string.Join(" and ", names) : $"{string.Join(", ", names.Take(MostNamed))} and {names.Count - MostNamed} more";
    }
}
