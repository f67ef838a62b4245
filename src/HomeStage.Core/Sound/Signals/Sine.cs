namespace HomeStage.Core.Sound.Signals;

/// <summary>A sine of our own, the same on every machine and quick.</summary>
internal static class Sine
{
    /// <summary>sin(2π·turns).</summary>
    /// <param name="turns">Any finite number of whole waves.</param>
    /// <returns>Within 1e−7 of the true value.</returns>
    /// <remarks>Folded into a quarter wave, where the Taylor polynomial of degree 11 errs by (π/2)¹³/13! ≈ 6e−8.</remarks>
    public static double OfTurns(double turns)
    {
        var x = turns - Math.Round(turns);
        if (x > 0.25)
            x = 0.5 - x;
        else if (x < -0.25)
            x = -0.5 - x;
        var a = 2 * Math.PI * x;
        var s = a * a;
        return a * (1 + s * (-1.0 / 6 + s * (1.0 / 120 + s * (-1.0 / 5040 + s * (1.0 / 362880 + s * (-1.0 / 39916800))))));
    }
}
