namespace HomeStage.Core.Templates;

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

    public static Refusal? Note(string what, string text, int longest = LongestNote) =>
        text.Length <= longest && !text.Any(c => char.IsControl(c) && c is not ('\n' or '\t'))
            ? null
            : new Refusal.BadText(what, 0, longest);
}
