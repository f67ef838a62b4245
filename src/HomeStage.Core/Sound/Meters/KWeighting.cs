using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Meters;

/// <summary>The two filters before the loudness meter's mean square: a shelf for the head, then a low cut.</summary>
/// <remarks>ITU-R BS.1770-5 Annex 1 states coefficients at 48 kHz (tables 1 and 2). Their analogue prototypes, from
/// memory, are re-derived here for any rate by the bilinear transform; a test holds them against the tables.</remarks>
public static class KWeighting
{
    public static IReadOnlyList<Biquad> Sections(int sampleRateHz) => [Shelf(sampleRateHz), LowCut(sampleRateHz)];

    private static Biquad Shelf(double sampleRateHz)
    {
        const double CornerHz = 1681.974450955533;
        const double GainDb = 3.999843853973347;
        const double Q = 0.7071752369554196;
        var k = Math.Tan(Math.PI * CornerHz / sampleRateHz);
        var high = Math.Pow(10, GainDb / 20);
        var band = Math.Pow(high, 0.4996667741545416);
        var a0 = 1 + k / Q + k * k;
        return new(
            (high + band * k / Q + k * k) / a0,
            2 * (k * k - high) / a0,
            (high - band * k / Q + k * k) / a0,
            2 * (k * k - 1) / a0,
            (1 - k / Q + k * k) / a0);
    }

    private static Biquad LowCut(double sampleRateHz)
    {
        const double CornerHz = 38.13547087602444;
        const double Q = 0.5003270373238773;
        var k = Math.Tan(Math.PI * CornerHz / sampleRateHz);
        var a0 = 1 + k / Q + k * k;
        // The standard leaves this section's numerator at 1, −2, 1.
        return new(1, -2, 1, 2 * (k * k - 1) / a0, (1 - k / Q + k * k) / a0);
    }
}
