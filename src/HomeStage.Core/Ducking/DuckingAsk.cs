namespace HomeStage.Core.Ducking;

/// <summary>How somebody shall make room, as one would say it to a player.</summary>
/// <param name="DepthDb">How far down, in [1, 40].</param>
/// <param name="BackMs">When it shall be back, from the hit: within a quarter of the depth of rest, at most 1 dB. Above 0.</param>
/// <param name="StayMs">How long it stays all the way down after the key has ended, at least 0.</param>
/// <param name="Soft">Whether it goes down gently, rather than at once.</param>
public sealed record DuckingAsk(double DepthDb, double BackMs, double StayMs = 0, bool Soft = false)
{
    public const double LeastDb = 1;
    public const double MostDb = 40;

    /// <returns>What is wrong with it, or null.</returns>
    public Refusal? Check() =>
        !(DepthDb is >= LeastDb and <= MostDb) ? new Refusal.OutOfRange("How far it goes down", DepthDb, LeastDb, MostDb, "dB")
        : !(BackMs is > 0 and <= 60000) ? new Refusal.OutOfRange("When it is back", BackMs, 0, 60000, "ms")
        : !(StayMs is >= 0 and <= 500) ? new Refusal.OutOfRange("How long it stays down", StayMs, 0, 500, "ms")
        : null;
}

/// <summary>What stands in the way of an ask.</summary>
public enum DuckingLimit
{
    /// <summary>Nothing reaches the detector.</summary>
    NoKey,

    /// <summary>The key is too soft for that depth: threshold and ratio are at their ends.</summary>
    Depth,

    /// <summary>The key, with what it stays down after it, lasts longer than that.</summary>
    KeyLasts,

    /// <summary>The longest release is over sooner than that.</summary>
    Release,

    /// <summary>The next hit comes before that.</summary>
    NextHit,
}

/// <summary>Settings that do what was asked, or the nearest to it that works.</summary>
/// <param name="Settings">Of the compressor.</param>
/// <param name="Measured">What the detector does with them over the whole key signal.</param>
/// <param name="Limit">What is in the way; null where the ask is met.</param>
/// <param name="Nearest">The ask that the settings do meet.</param>
public sealed record DuckingAnswer(Map<double> Settings, DuckingReading Measured, DuckingLimit? Limit, DuckingAsk Nearest)
{
    /// <summary>How far the depth may lie from what was asked, in dB.</summary>
    public const double DepthToleranceDb = 0.2;

    /// <summary>How far the time at which it is back may lie from what was asked.</summary>
    public const double BackToleranceMs = 2;
}
