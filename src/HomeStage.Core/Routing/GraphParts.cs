using HomeStage.Core.Templates;

namespace HomeStage.Core.Routing;

/// <summary>What the signal graph reads of a channel.</summary>
internal static class GraphParts
{
    /// <param name="act">Null for the whole template. Whether the song has a key is the same in both.</param>
    /// <returns>Whether both make the same stages and links, at the same place among the same neighbours.</returns>
    public static bool Same(Channel a, Channel b, string? act) =>
        ReferenceEquals(a, b)
        || (a.Id == b.Id
            && (act is null || (a.StageIn(act) == StageState.InTheWings) == (b.StageIn(act) == StageState.InTheWings))
            && Equals(Joining(a.Source), Joining(b.Source))
            && (a.Starters.Count > 0) == (b.Starters.Count > 0)
            && a.Destination == b.Destination
            && a.Sends.Equals(b.Sends)
            && a.Feeds.Equals(b.Feeds)
            && SameStrip(a.Inserts, b.Inserts, act));

    /// <summary>An instrument is a player, whichever it is.</summary>
    private static Source? Joining(Source? source) => source switch
    {
        InstrumentSource => new InstrumentSource(""),
        InputSource input => new InputSource(1, Monitored: input.Monitored),
        _ => source,
    };

    private static (bool Parked, bool WaitsForKey, bool WaitsForOther) Standing(string act, Insert insert) =>
        (insert.Off || insert.ParkedIn.Contains(act), insert.WaitsFor is { What: WaitReason.SongKey }, insert.WaitsFor is { What: not WaitReason.SongKey });

    private static bool SameStrip(Sequence<Insert> a, Sequence<Insert> b, string? act) =>
        ReferenceEquals(a, b)
        || (a.Count == b.Count
            && a.Zip(b).All(x => x.First.Id == x.Second.Id
                && (act is null || (Standing(act, x.First) == Standing(act, x.Second) && (x.First.Key is { On: true }) == (x.Second.Key is { On: true })))));
}
