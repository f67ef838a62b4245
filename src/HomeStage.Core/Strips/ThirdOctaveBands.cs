namespace HomeStage.Core.Strips;

/// <summary>Third octaves by IEC 61260-1, base ten: 1,000·10^(k/10) Hz.</summary>
public static class ThirdOctaveBands
{
    /// <summary>From 20 Hz to 20 kHz.</summary>
    public static IReadOnlyList<double> OfHearing { get; } = Centres(-17, 13);

    /// <param name="first">Number of the first band; 0 is that of 1 kHz.</param>
    /// <param name="last">Number of the last, at least <paramref name="first"/>.</param>
    /// <returns>In Hz, ascending.</returns>
    public static IReadOnlyList<double> Centres(int first, int last) => [.. Enumerable.Range(first, last - first + 1).Select(k => 1000 * Math.Pow(10, k / 10.0))];
}
