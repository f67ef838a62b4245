namespace HomeStage.Core.Sound.Signals;

/// <summary>In which lengths sound is worked out.</summary>
public static class Pace
{
    /// <summary>Frames that one unit works through before the next has its turn.</summary>
    public const int StretchFrames = 2048;

    /// <summary>Frames that go through a whole strip at once: short enough to stay in the cache.</summary>
    public const int BlockFrames = 256;
}
