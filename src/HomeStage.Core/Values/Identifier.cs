using System.Text;

namespace HomeStage.Core.Values;

/// <summary>The one rule for ids that people may meet in a document: short, lower case, safe in a path.</summary>
public static class Identifier
{
    public const int MaxLength = 48;

    private const int LongestOfAName = 36;

    /// <summary>Latin letters with accents, and below each the letter without. A table of our own: what the platform knows of letters differs
    /// between machines, and the same name has the same id on all of them.</summary>
    private const string Accented = "àáâãäåçèéêëìíîïñòóôõöøùúûüýÿāăąćĉċčďđēĕėęěĝğġģĥħĩīĭįıĵķĺļľŀłńņňōŏőŕŗřśŝşšţťŧũūŭůűųŵŷźżž";

    private const string Bare = "aaaaaaceeeeiiiinoooooouuuuyyaaaccccddeeeeegggghhiiiiijklllllnnnooorrrsssstttuuuuuuwyzzz";

    /// <returns>True for 1 to 48 characters of a–z, 0–9 and inner hyphens.</returns>
    public static bool IsValid(string? text) =>
        text is { Length: > 0 and <= MaxLength }
        && text.All(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) || c == '-')
        && text[0] != '-' && text[^1] != '-';

    /// <summary>An id that people know a name by: its letters without accents, hyphens for all else, 36 characters at most.</summary>
    /// <param name="otherwise">For a name that holds no letter or digit of these; an id.</param>
    public static string Of(string name, string otherwise)
    {
        var text = new StringBuilder();
        foreach (var letter in name.ToLowerInvariant())
        {
            var c = Accented.IndexOf(letter, StringComparison.Ordinal) is >= 0 and var at ? Bare[at] : letter;
            if (char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c))
                text.Append(c);
            else if (text.Length > 0 && text[^1] != '-')
                text.Append('-');
        }

        var id = text.ToString()[..Math.Min(text.Length, LongestOfAName)].Trim('-');
        return id.Length == 0 ? otherwise : id;
    }

    internal static string Checked(string? text, string parameter) =>
        IsValid(text) ? text! : throw new ArgumentException($"'{text}' is not an id: a–z, 0–9 and inner hyphens, 1 to {MaxLength} characters.", parameter);
}
