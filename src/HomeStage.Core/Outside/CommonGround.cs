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
        double? Shared(bool mono) => those
            ? Median(recordings.Where(r => r.IsMono == mono).SelectMany(r => r.Likenesses).Where(l => l.IsSame).Select(l => l.GainDb))
            : Median(recordings.Where(r => r.IsMono == mono).SelectMany(r => r.OffsDb));
        var shared = recordings.Select(r => Shared(r.IsMono) ?? 0).ToList();
        var known = own.Zip(shared).Where(g => g.First is not null).ToList();
        // Other instruments have other levels: there a gain of all is the best that can be said.
        var oneGain = !those || known.Count(g => Math.Abs(g.First!.Value - g.Second) <= NearDb) * 2 >= known.Count;
        var lag = Median(all.Where(l => l.IsSame).Select(l => l.LagSeconds)) ?? 0;
        return new(
            oneGain, [.. own.Zip(shared, (o, s) => oneGain ? s : o ?? s)],
            [.. recordings.Select(r => haveOneStart ? lag : Median(r.Likenesses.Where(l => l.IsSame).Select(l => l.LagSeconds)) ?? 0)], those);
    }

    internal static double? Median(IEnumerable<double> values) => values.Order().ToList() is { Count: > 0 } sorted ? sorted[sorted.Count / 2] : null;
}
