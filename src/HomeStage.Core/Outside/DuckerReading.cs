using HomeStage.Core.Ducking;

namespace HomeStage.Core.Outside;

/// <summary>What a ducker did elsewhere, beside what it does here; both are measured in one way.</summary>
/// <param name="ExpectedDb">How far it goes down here.</param>
/// <param name="ExpectedBackMs">When it is back here; null where that cannot be said.</param>
/// <param name="Db">How far it went down.</param>
/// <param name="BackMs">When it was back; null where it hardly went down.</param>
public sealed record DuckerReading(DuckerTrial Trial, double ExpectedDb, double? ExpectedBackMs, double Db, double? BackMs, Sequence<Fault> Faults)
{
    private const double LeastDb = 1;
    private const double DepthTolerance = 0.15;
    private const double LeastDepthToleranceDb = 1;
    private const double LeastBackToleranceMs = 20;
    private const double RangeDb = 40;
    private const int RateHz = 1000;

    /// <summary>Whether it does so little here that nothing can be said of it there.</summary>
    public bool IsIdleHere => ExpectedDb < LeastDb;

    /// <param name="soundsAreThose">Another key goes down otherwise, and for another time: then only a ducker that does nothing is at fault.</param>
    /// <param name="alone">The slot in which the voice is alone; null where beats restart the ducker.</param>
    internal static DuckerReading Of(TrackPair pair, DuckedSlot? alone, DuckedSlot under, double lagSeconds, bool soundsAreThose)
    {
        var (expectedDb, expectedBack) = Measured(pair, alone, under, recorded: false, 0);
        var (db, back) = Measured(pair, alone, under, recorded: true, lagSeconds);
        return new(under.Trial, expectedDb, expectedBack, db, back, expectedDb < LeastDb ? [] : soundsAreThose ? Judged(expectedDb, expectedBack, db, back).ToSequence() : db < LeastDb ? [new(FaultKind.Depth, db)] : []);
    }

    private static IEnumerable<Fault> Judged(double expectedDb, double? expectedBack, double db, double? back)
    {
        if (Math.Abs(db - expectedDb) > Math.Max(LeastDepthToleranceDb, DepthTolerance * expectedDb))
            yield return new(FaultKind.Depth, db);
        else if (expectedBack is { } expected && db >= LeastDb && (back is not { } heard || Math.Abs(heard - expected) > Math.Max(LeastBackToleranceMs, DepthTolerance * expected)))
            yield return new(FaultKind.Recovery, back ?? 0);
    }

    private static (double Db, double? BackMs) Measured(TrackPair pair, DuckedSlot? alone, DuckedSlot under, bool recorded, double lagSeconds)
    {
        var loudness = pair.Loudness(under, recorded, lagSeconds);
        if (alone is null)
            return (BetweenBeats(loudness), null);
        var before = pair.Loudness(alone, recorded, lagSeconds);
        var hit = (int)((under.HitSeconds!.Value - under.StartSeconds) * RateHz);
        var least = before.Max() - RangeDb;
        var end = Enumerable.Range(hit, before.Length - hit).FirstOrDefault(i => before[i] < least, before.Length);
        // What the two differ by before the hit is no ducking.
        var rest = CommonGround.Median(Enumerable.Range(Math.Max(0, hit - 300), Math.Min(hit, 280)).Select(i => before[i] - loudness[i])) ?? 0;
        var reduction = Enumerable.Range(0, end).Select(i => (float)Math.Max(0, before[i] - loudness[i] - rest)).ToArray();
        if (end - hit < 50)
            return (0, null);
        var reading = DuckingReading.Of(reduction, [hit], RateHz);
        return (reading.DepthDb, reading.DepthDb < LeastDb ? null : reading.BackMs);
    }

    /// <summary>Between the loudest and the softest of it, without its beginning and its end.</summary>
    private static double BetweenBeats(double[] loudness)
    {
        var held = loudness.AsSpan((int)(0.25 * loudness.Length)..(int)(0.9 * loudness.Length)).ToArray();
        return held.Max() - held.Min();
    }
}
