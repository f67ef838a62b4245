namespace HomeStage.Core.Strips;

/// <summary>Lengths and losses of the reverb's lines.</summary>
/// <remarks>J.-M. Jot and A. Chaigne, "Digital delay networks for designing artificial reverberators", AES 90th Convention,
/// 1991: a line of m frames keeps 10^(−3·m / (fs·RT60)) of what goes round, so that every line falls by 60 dB in the decay
/// time. Lengths are spread by a constant ratio and made prime, so that no two share a period.</remarks>
public static class ReverbLaw
{
    private const double ShortestMs = 19;
    private const double Spread = 1.17;

    /// <param name="line">From 0, the shortest.</param>
    /// <param name="size">Against the usual lengths, above 0.</param>
    /// <returns>Frames, prime.</returns>
    public static int LengthFrames(int line, double size, int sampleRateHz) => Prime((int)(ShortestMs * size * Math.Pow(Spread, line) * sampleRateHz / 1000));

    /// <param name="decaySeconds">RT60, above 0.</param>
    /// <returns>The share that is left after one round, in (0, 1).</returns>
    public static double Kept(int lengthFrames, double decaySeconds, int sampleRateHz) => Math.Pow(10, -3 * lengthFrames / (sampleRateHz * decaySeconds));

    /// <summary>The one-pole in each line, which lets the highs fall sooner.</summary>
    /// <param name="dampingHz">Its corner, above 0.</param>
    /// <returns>The share of the old value that one frame keeps, in (0, 1).</returns>
    public static double Dulled(double dampingHz, int sampleRateHz) => Math.Exp(-2 * Math.PI * dampingHz / sampleRateHz);

    /// <returns>The smallest prime that is not below.</returns>
    private static int Prime(int from)
    {
        var candidate = Math.Max(2, from);
        while (Enumerable.Range(2, (int)Math.Sqrt(candidate) - 1).Any(d => candidate % d == 0))
            candidate++;
        return candidate;
    }
}
