namespace HomeStage.Core.Ideas;

/// <summary>How long a sound takes out of the machine and in again, by clicks that were played and what came back of them.</summary>
public static class RoundTrip
{
    /// <summary>The longest that is looked for, in seconds.</summary>
    public const double MostSeconds = 0.5;

    /// <summary>The click that is played: a sine of 2 kHz under half a sine, over 4 ms, at half of full scale.</summary>
    private const double ClickHz = 2000, ClickSeconds = 0.004, ClickPeak = 0.5;

    /// <summary>What came back must stand out of everything else by this factor.</summary>
    private const double StandsOut = 6;

    public static float[] Click(int sampleRateHz)
    {
        var click = new float[(int)Math.Round(ClickSeconds * sampleRateHz)];
        for (var n = 0; n < click.Length; n++)
            click[n] = (float)(ClickPeak * Math.Sin(2 * Math.PI * ClickHz * n / sampleRateHz) * Math.Sin(Math.PI * (n + 0.5) / click.Length));
        return click;
    }

    /// <summary>The delay at which the sum over all clicks of what was recorded, held against the click, is largest.</summary>
    /// <param name="recorded">One lane.</param>
    /// <param name="clickSeconds">When each was played, from the first sample on; at least two, not evenly spaced for certainty.</param>
    /// <returns>Seconds in [0, <see cref="MostSeconds"/>]; null where nothing stands out.</returns>
    public static double? Of(ReadOnlySpan<float> recorded, int sampleRateHz, IReadOnlyList<double> clickSeconds)
    {
        var click = Click(sampleRateHz);
        var most = (int)(MostSeconds * sampleRateHz);
        var fits = new double[most + 1];
        foreach (var seconds in clickSeconds)
        {
            var at = (int)Math.Round(seconds * sampleRateHz);
            for (var delay = 0; delay <= most && at + delay + click.Length <= recorded.Length; delay++)
                fits[delay] += Held(recorded.Slice(at + delay, click.Length), click);
        }

        var best = 0;
        var sum = 0.0;
        for (var delay = 0; delay <= most; delay++)
        {
            // A plug turned upside down is as late as one that is not.
            best = Math.Abs(fits[delay]) > Math.Abs(fits[best]) ? delay : best;
            sum += fits[delay] * fits[delay];
        }

        return Math.Abs(fits[best]) > StandsOut * Math.Sqrt(sum / (most + 1)) && sum > 1e-9 ? (double)best / sampleRateHz : null;
    }

    private static double Held(ReadOnlySpan<float> heard, ReadOnlySpan<float> click)
    {
        var sum = 0.0;
        for (var n = 0; n < click.Length; n++)
            sum += heard[n] * click[n];
        return sum;
    }
}
