namespace HomeStage.Core.Casting;

/// <summary>Cuts lines where signs stand outside of quotation marks and brackets.</summary>
internal static class CastCuts
{
    /// <returns>The parts with the place where each starts, as they stand; one at least.</returns>
    public static IEnumerable<(int Start, string Text)> Parted(string text, params char[] at)
    {
        var start = 0;
        for (var next = Find(text, 0, at); next >= 0; next = Find(text, start, at))
        {
            yield return (start, text[start..next]);
            start = next + 1;
        }

        yield return (start, text[start..]);
    }

    /// <returns>Where the first of the signs stands from a place on; −1 for nowhere.</returns>
    public static int Find(string text, int from, params char[] signs)
    {
        var (quoted, depth) = (false, 0);
        for (var i = from; i < text.Length; i++)
        {
            if (text[i] == '"')
                quoted = !quoted;
            else if (quoted)
                continue;
            else if (depth == 0 && signs.Contains(text[i]) && !(text[i] == ',' && signs.Length > 1 && IsDecimal(text, i)))
                return i;
            else
                depth = Math.Max(0, depth + (text[i] == '(' ? 1 : text[i] == ')' ? -1 : 0));
        }

        return -1;
    }

    /// <summary>A comma between two digits is one of a number; in rows, which nothing else parts, it parts cells.</summary>
    private static bool IsDecimal(string text, int comma) => comma > 0 && comma + 1 < text.Length && char.IsAsciiDigit(text[comma - 1]) && char.IsAsciiDigit(text[comma + 1]);

    public static bool IsQuoted(string text) => text.Length >= 2 && text[0] == '"' && text[^1] == '"';

    /// <summary>What stands in quotation marks; those in it are doubled.</summary>
    public static string Unquoted(string text) => IsQuoted(text.Trim()) ? text.Trim()[1..^1].Replace("\"\"", "\"", StringComparison.Ordinal) : text.Trim();

    public static string Quoted(string name) => $"\"{name.Replace("\"", "\"\"", StringComparison.Ordinal)}\"";

    /// <summary>Whether a place lies within quotation marks.</summary>
    public static bool IsWithinQuotes(string text, int place) => text.AsSpan(0, place).Count('"') % 2 == 1;

    /// <summary>A name as a list can say it, in quotation marks where a sign or a number in it would be read as something else.</summary>
    public static string Sayable(string name) => name.IndexOfAny([',', ';', ':', '·', '(', ')', '\t', '#', '"']) >= 0 ? Quoted(name) : name;

    /// <summary>A part without blanks around it.</summary>
    public static (int Start, string Text) Trimmed((int Start, string Text) part)
    {
        var text = part.Text.TrimStart();
        return (part.Start + part.Text.Length - text.Length, text.TrimEnd());
    }
}
