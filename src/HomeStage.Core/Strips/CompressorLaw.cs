namespace HomeStage.Core.Strips;

/// <summary>The static curve and the timing of a compressor.</summary>
/// <remarks>Source: Giannoulis, Massberg and Reiss, "Digital Dynamic Range Compressor Design", J. Audio Eng. Soc. 60(6),
/// 2012: equation 4 (soft knee) and the smooth, branching detector in the logarithmic domain.</remarks>
public static class CompressorLaw
{
    /// <summary>What comes out for what goes in, with soft knee.</summary>
    /// <param name="inputDb">dBFS.</param>
    /// <param name="ratio">At least 1.</param>
    /// <param name="kneeDb">Width of the knee, at least 0.</param>
    /// <returns>dBFS.</returns>
    public static double OutputDb(double inputDb, double thresholdDb, double ratio, double kneeDb)
    {
        var over = inputDb - thresholdDb;
        if (2 * over < -kneeDb)
            return inputDb;
        if (2 * Math.Abs(over) <= kneeDb && kneeDb > 0)
            return inputDb + (1 / ratio - 1) * Math.Pow(over + kneeDb / 2, 2) / (2 * kneeDb);
        return thresholdDb + over / ratio;
    }

    /// <summary>The share of the old value that one frame keeps: 63.2 % of a step is done after the time constant.</summary>
    /// <param name="timeMs">Time constant τ, above 0.</param>
    /// <returns>α = exp(−1 / (τ·fs)), in (0, 1).</returns>
    public static double Smoothing(double timeMs, double sampleRateHz)
    {
        if (!(timeMs > 0))
            throw new ArgumentOutOfRangeException(nameof(timeMs), timeMs, "Must be above 0 ms.");
        return Math.Exp(-1 / (timeMs / 1000 * sampleRateHz));
    }
}
