namespace HomeStage.Core.Strips;

/// <summary>How the copy of a chorus sways.</summary>
public static class ChorusLaw
{
    private const double LeastMs = 5;

    /// <param name="sway">In [−1, 1].</param>
    /// <param name="depthMs">How far the delay goes beyond 5 ms, at least 0.</param>
    /// <returns>Frames.</returns>
    public static double DelayFrames(double sway, double depthMs, int sampleRateHz) => (LeastMs + depthMs * (1 + sway) / 2) * sampleRateHz / 1000;

    /// <summary>The sides sway a quarter wave apart.</summary>
    /// <returns>Turns, for the sine.</returns>
    public static double Turns(long frame, int lane, double rateHz, int sampleRateHz) => frame * (rateHz / sampleRateHz) + lane / 4.0;
}
