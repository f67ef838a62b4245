using System.Globalization;

namespace HomeStage.Core.Machines;

/// <summary>How people write in a file's name how hard a stroke was, and which of several alike it is (common practice, no source).</summary>
internal static class StrokeWords
{
    // From the softest up.
    private static readonly string[][] Dynamics =
    [
        ["ppp"], ["pp"], ["p", "ghost"], ["mp", "soft", "light", "quiet"], ["medium", "med"], ["mf"], ["f", "hard", "loud"], ["ff", "harder"], ["fff", "hardest"],
    ];

    private static readonly HashSet<string> BeforeVelocity = new(StringComparer.Ordinal) { "v", "vel", "velo", "velocity", "vl", "layer", "lyr", "dyn" };

    private static readonly HashSet<string> BeforeTurn = new(StringComparer.Ordinal) { "rr", "robin", "alt", "turn", "var", "variation" };

    /// <summary>Takes what is said of one stroke out of a name's words.</summary>
    /// <param name="words">In lower case.</param>
    /// <returns>The places of the words that say it; null for a name that says nothing of it.</returns>
    public static (Stroke Stroke, int From, int Count)? Velocity(IReadOnlyList<string> words) => Numbered(words, BeforeVelocity) is { } numbered
        ? (new(true, numbered.Number), numbered.From, 2)
        : Enumerable.Range(1, Math.Max(0, words.Count - 1)).Reverse().Select(i => (At: i, Rank: Array.FindIndex(Dynamics, d => d.Contains(words[i]))))
            .Where(x => x.Rank >= 0).Select(x => ((Stroke, int, int)?)(new(false, x.Rank), x.At, 1)).FirstOrDefault();

    /// <returns>Which of several strokes alike it is, from 1, and where that is said.</returns>
    public static (int Number, int From, int Count)? Turn(IReadOnlyList<string> words) => Numbered(words, BeforeTurn) is { } said ? (said.Number, said.From, 2) : null;

    private static (int Number, int From)? Numbered(IReadOnlyList<string> words, HashSet<string> before)
    {
        for (var i = words.Count - 1; i > 0; i--)
            if (before.Contains(words[i - 1]) && words[i].Length <= 3 && words[i].All(char.IsAsciiDigit))
                return (int.Parse(words[i], CultureInfo.InvariantCulture), i - 1);
        return null;
    }
}

/// <summary>How hard a stroke was.</summary>
/// <param name="IsNumber">Whether a number says it rather than a word; the two do not mix.</param>
internal sealed record Stroke(bool IsNumber, int Rank);
