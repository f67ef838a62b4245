using HomeStage.Core.Strips;

namespace HomeStage.Core.Ducking;

/// <summary>What a ducker does at one hit.</summary>
/// <param name="Frame">Of the hit.</param>
/// <param name="DepthDb">The most that is taken off until the next hit.</param>
/// <param name="BackMs">When it is back, from the hit; null where the next hit, or the end, comes first.</param>
public sealed record HitReading(long Frame, double DepthDb, double? BackMs);

/// <summary>What a ducker does over a stretch of music.</summary>
/// <param name="Hits">Each of them, in order.</param>
/// <param name="DepthDb">At the loudest hit: the most that is taken off at all.</param>
/// <param name="LeastDepthDb">At the softest.</param>
/// <param name="BackMs">When it is back from the loudest hit; null where the next hit comes first.</param>
/// <param name="MeanDb">What is taken off on average over the whole stretch.</param>
public sealed record DuckingReading(IReadOnlyList<HitReading> Hits, double DepthDb, double LeastDepthDb, double? BackMs, double MeanDb)
{
    /// <summary>Whether it is back before the next hit, after every one that has a next.</summary>
    public bool Recovers => Hits.SkipLast(1).All(h => h.BackMs is not null);

    /// <param name="reductionDb">What is taken off at each frame, at least 0.</param>
    /// <param name="hits">Frames, ascending; none reads the stretch as one hit at its start.</param>
    /// <param name="aheadFrames">How long before a hit it begins to go down for it.</param>
    public static DuckingReading Of(ReadOnlySpan<float> reductionDb, IReadOnlyList<long> hits, int sampleRateHz, int aheadFrames = 0)
    {
        IReadOnlyList<long> starts = hits.Count > 0 ? hits : [0];
        var read = new List<HitReading>();
        for (var i = 0; i < starts.Count; i++)
        {
            var end = i + 1 < starts.Count ? Math.Max((int)starts[i] + 1, (int)starts[i + 1] - aheadFrames) : Math.Max((int)starts[i] + 1, reductionDb.Length - aheadFrames);
            read.Add(One(reductionDb[(int)starts[i]..end], starts[i], sampleRateHz));
        }

        var loudest = read.MaxBy(h => h.DepthDb)!;
        var mean = 0.0;
        foreach (var db in reductionDb)
            mean += db;
        return new(read, loudest.DepthDb, read.Min(h => h.DepthDb), loudest.BackMs, reductionDb.Length == 0 ? 0 : mean / reductionDb.Length);
    }

    private static HitReading One(ReadOnlySpan<float> fromHit, long frame, int sampleRateHz)
    {
        var depth = 0f;
        foreach (var db in fromHit)
            depth = Math.Max(depth, db);
        var rest = DuckerLaw.NearRestDb(depth);
        var down = fromHit.Length - 1;
        while (down >= 0 && fromHit[down] <= rest)
            down--;
        return new(frame, depth, down == fromHit.Length - 1 && down >= 0 ? null : (down + 1) * 1000.0 / sampleRateHz);
    }
}
