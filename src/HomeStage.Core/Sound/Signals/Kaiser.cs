namespace HomeStage.Core.Sound.Signals;

/// <summary>The Kaiser window.</summary>
/// <remarks>J. F. Kaiser, "Nonrecursive digital filter design using the I0-sinh window function", 1974.</remarks>
internal static class Kaiser
{
    /// <param name="x">Place in the window, in [−1, 1]; 0 is its middle.</param>
    /// <param name="beta">Above 0: higher is wider and cleaner.</param>
    /// <returns>In [0, 1]; 0 outside.</returns>
    public static double At(double x, double beta) =>
        Math.Abs(x) > 1 ? 0 : Bessel(beta * Math.Sqrt(1 - x * x)) / Bessel(beta);

    /// <summary>The modified Bessel function of the first kind and order 0, by its power series.</summary>
    private static double Bessel(double x)
    {
        var (sum, term) = (1.0, 1.0);
        for (var k = 1; term > 1e-12 * sum; k++)
        {
            term *= x / (2 * k) * (x / (2 * k));
            sum += term;
        }

        return sum;
    }
}
