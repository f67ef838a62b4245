namespace HomeStage.Core.Strips;

/// <summary>The static curve of what holds a signal at a ceiling: the limiter and the clipper.</summary>
public static class CeilingLaw
{
    /// <param name="peak">Amplitude, at least 0.</param>
    /// <param name="ceiling">Amplitude, above 0.</param>
    /// <returns>The gain that brings the peak to the ceiling, at most 1.</returns>
    public static double Gain(double peak, double ceiling) => peak > ceiling ? ceiling / peak : 1;
}
