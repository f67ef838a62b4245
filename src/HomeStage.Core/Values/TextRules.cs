using System.Text;

namespace HomeStage.Core.Values;

/// <summary>How long the words of a template may be.</summary>
public static class TextRules
{
    public const int LongestName = 80;
    public const int LongestSection = 40;
    public const int LongestNote = 4000;

    public static Refusal? Name(string what, string text, int longest = LongestName) =>
        !string.IsNullOrWhiteSpace(text) && text.Length <= longest && !text.Any(char.IsControl)
            ? null
            : new Refusal.BadText(what, 1, longest);

    /// <summary>What is left of a text from elsewhere that a name may have: no control characters, no halves of characters; accents as <see cref="ComposedText"/> has them.</summary>
    /// <param name="longest">Above 1.</param>
    /// <returns>May be empty.</returns>
    public static string Cleaned(string? text, int longest)
    {
        var clean = ComposedText.Of(string.Concat((text ?? "").EnumerateRunes().Where(r => !Rune.IsControl(r) && r != Rune.ReplacementChar && (r.Value & 0xFFFE) != 0xFFFE))).Trim();
        if (clean.Length <= longest)
            return clean;
        return clean[..(char.IsHighSurrogate(clean[longest - 1]) ? longest - 1 : longest)].Trim();
    }

    public static Refusal? Note(string what, string text, int longest = LongestNote) =>
        text.Length <= longest && !text.Any(c => char.IsControl(c) && c is not ('\n' or '\t'))
            ? null
            : new Refusal.BadText(what, 0, longest);
}
