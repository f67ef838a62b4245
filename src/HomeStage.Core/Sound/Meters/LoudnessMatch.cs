namespace HomeStage.Core.Sound.Meters;

/// <summary>What brings two sounds to the same loudness: the louder one is turned down, so that nothing clips.</summary>
/// <param name="FirstDb">At most 0.</param>
/// <param name="SecondDb">At most 0.</param>
/// <param name="Lufs">What both have then.</param>
public sealed record LoudnessMatch(double FirstDb, double SecondDb, double Lufs)
{
    /// <summary>By integrated loudness, ITU-R BS.1770.</summary>
    /// <returns>Null where one of them cannot be measured.</returns>
    public static LoudnessMatch? Of(SoundMeters first, SoundMeters second) =>
        first.LoudnessLufs is { } a && second.LoudnessLufs is { } b ? new(Math.Min(0, b - a), Math.Min(0, a - b), Math.Min(a, b)) : null;
}
