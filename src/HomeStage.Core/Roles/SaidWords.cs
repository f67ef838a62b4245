namespace HomeStage.Core.Roles;

/// <summary>What the words of one name mean, asked for by meaning.</summary>
internal sealed class SaidWords(IReadOnlyList<string> words)
{
    // They are said of any sound: size, light and length (common practice). Beside "room" they speak of an effect.
    private static readonly HashSet<string> OfSpaces = new(StringComparer.Ordinal)
    {
        "short", "long", "lng", "dark", "bright", "big", "small", "large", "medium", "tight", "lush", "warm", "gated", "huge", "tiny",
    };

    // They are said of microphones.
    private static readonly HashSet<string> OfMicrophones = new(StringComparer.Ordinal) { "mic", "mics", "mono", "near", "far", "close" };

    private readonly HashSet<string> meanings = words.Select(TradeWords.MeaningOf).OfType<string>().ToHashSet(StringComparer.Ordinal);

    public bool Has(string meaning) => meanings.Contains(meaning);

    public bool HasAny(params ReadOnlySpan<string> any)
    {
        foreach (var meaning in any)
            if (meanings.Contains(meaning))
                return true;
        return false;
    }

    /// <summary>Whether nothing is said but these, and something is.</summary>
    public bool HasOnly(params string[] these) => meanings.Count > 0 && meanings.IsSubsetOf(these);

    public bool HasWord(string word) => words.Contains(word);

    public bool HasSide => words.Any(w => w is "l" or "r" or "left" or "right");

    public bool HasNumber => words.Any(w => w.All(char.IsAsciiDigit));

    public bool IsOfASpace => words.Any(OfSpaces.Contains);

    public bool IsOfAMicrophone => words.Any(OfMicrophones.Contains);
}
