using System.Globalization;

namespace HomeStage.Core.Casting;

/// <summary>What the pads of a drum machine usually play, in the order in which one would name them (common practice).</summary>
internal static class CommonPieces
{
    private static readonly string[] Names =
    [
        "Kick", "Snare", "Closed hat", "Open hat", "Clap", "Rim", "Low tom", "Mid tom", "High tom", "Crash", "Ride", "Shaker", "Tambourine", "Cowbell", "Low conga", "High conga",
    ];

    /// <returns>As many as are asked for; those beyond the usual ones have numbers.</returns>
    public static IReadOnlyList<string> First(int count) =>
        [.. Enumerable.Range(0, count).Select(n => n < Names.Length ? Names[n] : string.Create(CultureInfo.InvariantCulture, $"Pad {n + 1}"))];
}
