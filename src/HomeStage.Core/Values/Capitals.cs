namespace HomeStage.Core.Values;

/// <summary>The first letter of a name.</summary>
public static class Capitals
{
    /// <returns>As a name stands by itself: "snare top" is "Snare top".</returns>
    public static string AtFirst(this string name) => name.Length > 0 && char.IsLower(name[0]) ? char.ToUpperInvariant(name[0]) + name[1..] : name;

    /// <returns>As a name stands within a sentence: "High cut" is "high cut"; units, letters and abbreviations stay, "12 dB/oct", "Q", "LFO rate", and so
    /// do names in capitals throughout, "Closed Hi Hat".</returns>
    public static string InASentence(this string name) => BeginsAWord(name, 0) && !Enumerable.Range(1, name.Length - 1).Any(i => !char.IsLetter(name[i - 1]) && BeginsAWord(name, i))
        ? char.ToLowerInvariant(name[0]) + name[1..]
        : name;

    private static bool BeginsAWord(string name, int at) => at + 1 < name.Length && char.IsUpper(name[at]) && char.IsLower(name[at + 1]);
}
