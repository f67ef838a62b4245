namespace HomeStage.Core.Strips;

/// <summary>Second-order sections by their musical names.</summary>
/// <remarks>Source: Audio EQ Cookbook, W3C Note (R. Bristow-Johnson). Frequencies are limited to just under Nyquist,
/// where the cookbook's forms end.</remarks>
public static class FilterDesign
{
    /// <summary>Q of a maximally flat second-order cut: 1/√2.</summary>
    public const double Butterworth = 0.70710678118654752;

    /// <summary>A low cut of 12 dB an octave (the cookbook's high-pass): −3.01 dB at the corner.</summary>
    public static Biquad LowCut(double cornerHz, double sampleRateHz, double q = Butterworth)
    {
        var (cos, alpha) = Angle(cornerHz, sampleRateHz, q);
        return Normalised((1 + cos) / 2, -(1 + cos), (1 + cos) / 2, 1 + alpha, -2 * cos, 1 - alpha);
    }

    /// <summary>A high cut of 12 dB an octave (the cookbook's low-pass): −3.01 dB at the corner.</summary>
    public static Biquad HighCut(double cornerHz, double sampleRateHz, double q = Butterworth)
    {
        var (cos, alpha) = Angle(cornerHz, sampleRateHz, q);
        return Normalised((1 - cos) / 2, 1 - cos, (1 - cos) / 2, 1 + alpha, -2 * cos, 1 - alpha);
    }

    /// <summary>A bell: <paramref name="gainDb"/> at the centre, unity at 0 Hz and Nyquist.</summary>
    public static Biquad Bell(double centreHz, double gainDb, double q, double sampleRateHz)
    {
        var (cos, alpha) = Angle(centreHz, sampleRateHz, q);
        var a = Math.Pow(10, gainDb / 40);
        return Normalised(1 + alpha * a, -2 * cos, 1 - alpha * a, 1 + alpha / a, -2 * cos, 1 - alpha / a);
    }

    /// <summary>A notch: nothing is left at the centre, unity at 0 Hz and Nyquist.</summary>
    public static Biquad Notch(double centreHz, double q, double sampleRateHz)
    {
        var (cos, alpha) = Angle(centreHz, sampleRateHz, q);
        return Normalised(1, -2 * cos, 1, 1 + alpha, -2 * cos, 1 - alpha);
    }

    /// <summary>A shelf below the corner, where it has half its dB. Slope 1.</summary>
    public static Biquad LowShelf(double cornerHz, double gainDb, double sampleRateHz) => Shelf(cornerHz, gainDb, sampleRateHz, low: true);

    /// <summary>A shelf above the corner, where it has half its dB. Slope 1.</summary>
    public static Biquad HighShelf(double cornerHz, double gainDb, double sampleRateHz) => Shelf(cornerHz, gainDb, sampleRateHz, low: false);

    private static Biquad Shelf(double cornerHz, double gainDb, double sampleRateHz, bool low)
    {
        // With slope 1 the cookbook's alpha is that of Q = 1/√2; the high shelf is the low one with cos turned round.
        var (cos, alpha) = Angle(cornerHz, sampleRateHz, Butterworth);
        var a = Math.Pow(10, gainDb / 40);
        var root = 2 * Math.Sqrt(a) * alpha;
        var sign = low ? 1 : -1;
        var turned = sign * cos;
        return Normalised(
            a * (a + 1 - (a - 1) * turned + root),
            sign * 2 * a * (a - 1 - (a + 1) * turned),
            a * (a + 1 - (a - 1) * turned - root),
            a + 1 + (a - 1) * turned + root,
            sign * -2 * (a - 1 + (a + 1) * turned),
            a + 1 + (a - 1) * turned - root);
    }

    private static (double Cos, double Alpha) Angle(double hz, double sampleRateHz, double q)
    {
        if (!(sampleRateHz > 0))
            throw new ArgumentOutOfRangeException(nameof(sampleRateHz), sampleRateHz, "Must be above 0 Hz.");
        if (!(hz > 0))
            throw new ArgumentOutOfRangeException(nameof(hz), hz, "Must be above 0 Hz.");
        if (!(q > 0))
            throw new ArgumentOutOfRangeException(nameof(q), q, "Must be above 0.");
        var omegaRad = 2 * Math.PI * Math.Min(hz, 0.499 * sampleRateHz) / sampleRateHz;
        return (Math.Cos(omegaRad), Math.Sin(omegaRad) / (2 * q));
    }

    private static Biquad Normalised(double b0, double b1, double b2, double a0, double a1, double a2) =>
        new(b0 / a0, b1 / a0, b2 / a0, a1 / a0, a2 / a0);
}
