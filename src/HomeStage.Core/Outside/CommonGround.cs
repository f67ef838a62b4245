namespace HomeStage.Core.Outside;

/// <summary>What all recordings share, so that it is no fault of one: how loud they are, when they begin, and whether they are the sound that is heard here.</summary>
/// <param name="HaveOneGain">Whether they were turned up by one amount; otherwise each has its own, as where every file was made as loud as it goes.</param>
/// <param name="GainsDb">By recording.</param>
/// <param name="LagsSeconds">By recording: what is left of its start.</param>
internal sealed record CommonGround(bool HaveOneGain, IReadOnlyList<double> GainsDb, IReadOnlyList<double> LagsSeconds, bool SoundsAreThose)
{
    private const double NearDb = 0.5;

    /// <param name="IsMono">Mono files may be taken before a pan law, so they have a gain of their own.</param>
    /// <param name="Likenesses">Of what is expected there.</param>
    /// <param name="OffsDb">How much louder each is, by contour.</param>
    internal sealed record Evidence(bool IsMono, IReadOnlyList<Likeness> Likenesses, IReadOnlyList<double> OffsDb);

    public static CommonGround Of(IReadOnlyList<Evidence> recordings, bool haveOneStart)
    {
        var all = recordings.SelectMany(r => r.Likenesses).ToList();
        var those = all.Count(l => l.IsSame) * 2 > all.Count;
        double? OwnGain(Evidence r) => those ? Median(r.Likenesses.Where(l => l.IsSame).Select(l => l.GainDb)) : Median(r.OffsDb);
        var own = recordings.Select(OwnGain).ToList();
        var shared = those ? Commonest(recordings, own) : [.. recordings.Select(r => Median(recordings.Where(o => o.IsMono == r.IsMono).SelectMany(o => o.OffsDb)) ?? 0)];
        var known = own.Zip(shared).Where(g => g.First is not null).ToList();
        // Other instruments have other levels: there a gain of all is the best that can be said.
        var oneGain = !those || known.Count(g => Math.Abs(g.First!.Value - g.Second) <= NearDb) * 2 >= known.Count;
        var lag = Median(all.Where(l => l.IsSame).Select(l => l.LagSeconds)) ?? 0;
        return new(
            oneGain, [.. own.Zip(shared, (o, s) => oneGain ? s : o ?? s)],
            [.. recordings.Select(r => haveOneStart ? lag : Median(r.Likenesses.Where(l => l.IsSame).Select(l => l.LagSeconds)) ?? 0)], those);
    }

    /// <summary>The gain that most mono recordings have, and most of the others; where neither has a most, that of the others is theirs too.</summary>
    private static IReadOnlyList<double> Commonest(IReadOnlyList<Evidence> recordings, IReadOnlyList<double?> own)
    {
        List<double> Of(bool mono) => [.. recordings.Zip(own).Where(r => r.First.IsMono == mono).Select(r => r.Second).OfType<double>()];
        (int Count, double Db) Most(List<double> gains, double near) => gains.Select(g => gains.FindAll(o => Math.Abs(o - g) <= NearDb)).Select(g => (g.Count, Db: Median(g)!.Value))
            .OrderByDescending(g => g.Count).ThenBy(g => Math.Abs(g.Db - near)).FirstOrDefault((0, near));
        var (mono, rest) = (Of(mono: true), Of(mono: false));
        var (ofMono, ofRest) = (Most(mono, Median(mono) ?? 0), Most(rest, Median(rest) ?? 0));
        var (forMono, forRest) = ofMono.Count >= ofRest.Count ? (ofMono.Db, Most(rest, ofMono.Db).Db) : (Most(mono, ofRest.Db).Db, ofRest.Db);
        return [.. recordings.Select(r => r.IsMono ? forMono : forRest)];
    }

    internal static double? Median(IEnumerable<double> values) => values.Order().ToList() is { Count: > 0 } sorted ? sorted[sorted.Count / 2] : null;
}
