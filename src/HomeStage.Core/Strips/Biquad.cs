using System.Numerics;

namespace HomeStage.Core.Strips;

/// <summary>One normalised second-order section: y = b0·x + b1·x₁ + b2·x₂ − a1·y₁ − a2·y₂ (a0 = 1).</summary>
public readonly record struct Biquad(double B0, double B1, double B2, double A1, double A2)
{
    public static readonly Biquad Unity = new(1, 0, 0, 0, 0);

    /// <summary>Whether its zeros lie on its poles, to the last bit: a bell or shelf of 0 dB.</summary>
    public bool DoesNothing => B0 == 1 && B1 == A1 && B2 == A2;

    /// <summary>Gain of the section at one frequency.</summary>
    /// <param name="frequencyHz">Hz, in [0, sampleRateHz / 2].</param>
    /// <param name="sampleRateHz">Frames per second; finite, above 0.</param>
    /// <returns>dB relative to unity; −∞ where the gain is zero.</returns>
    /// <exception cref="ArgumentOutOfRangeException">A value outside its range, or NaN.</exception>
    /// <remarks>Source: H(z) on the unit circle, z = e^(jω), ω = 2πf/fs.</remarks>
    public double GainDb(double frequencyHz, double sampleRateHz)
    {
        // Written as "not inside" because NaN passes every "outside" test.
        if (!(frequencyHz >= 0 && frequencyHz <= sampleRateHz / 2))
            throw new ArgumentOutOfRangeException(nameof(frequencyHz), frequencyHz, "Must lie in [0, Nyquist] Hz.");
        var delay = Complex.FromPolarCoordinates(1, -2 * Math.PI * frequencyHz / sampleRateHz);
        var gain = (B0 + delay * (B1 + delay * B2)) / (1 + delay * (A1 + delay * A2));
        return 20 * Math.Log10(gain.Magnitude);
    }
}
