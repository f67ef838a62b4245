namespace HomeStage.Core.Values;

/// <summary>The first letter of a name.</summary>
public static class Capitals
{
    /// <returns>As a name stands by itself: "snare top" is "Snare top".</returns>
    public static string AtFirst(this string name) => name.Length > 0 && char.IsLower(name[0]) ? char.ToUpperInvariant(name[0]) + name[1..] : name;

    /// <returns>As a name stands within a sentence: "High cut" is "high cut"; units, letters and abbreviations stay: "12 dB/oct", "Q", "LFO rate".</returns>
    public static string InASentence(this string name) => name.Length > 1 && char.IsLower(name[1]) ? char.ToLowerInvariant(name[0]) + name[1..] : name;
}
