namespace HomeStage.Core.Values;

/// <summary>The one rule for ids that people may meet in a document: short, lower case, safe in a path.</summary>
public static class Identifier
{
    public const int MaxLength = 48;

    /// <returns>True for 1 to 48 characters of a–z, 0–9 and inner hyphens.</returns>
    public static bool IsValid(string? text) =>
        text is { Length: > 0 and <= MaxLength }
        && text.All(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) || c == '-')
        && text[0] != '-' && text[^1] != '-';

    internal static string Checked(string? text, string parameter) =>
        IsValid(text) ? text! : throw new ArgumentException($"'{text}' is not an id: a–z, 0–9 and inner hyphens, 1 to {MaxLength} characters.", parameter);
}
