using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStage.Core.Casting;

/// <summary>Counts as people say them, and names that are counted up.</summary>
internal static partial class CastNumbers
{
    private const RegexOptions Linear = RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture | RegexOptions.IgnoreCase;

    public const int Most = 64;

    private static readonly string[] Words =
    [
        "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "thirteen", "fourteen", "fifteen", "sixteen",
        "seventeen", "eighteen", "nineteen", "twenty",
    ];

    /// <summary>"two singers", "3 answers", "2 × spare", "spare × 2", "answers 1–3".</summary>
    /// <returns>The names, one without a count; null for a count that is too high.</returns>
    public static IReadOnlyList<string>? Named(string text)
    {
        if (Range().Match(text) is { Success: true } range)
            return Counted(range.Groups["name"].Value, Number(range.Groups["from"].Value), Number(range.Groups["to"].Value));
        if (After().Match(text) is { Success: true } after)
            return Counted(after.Groups["name"].Value, 1, Number(after.Groups["count"].Value));
        // A twelve-string guitar is one, and an 808 a sound.
        if (Before().Match(text) is { Success: true } before && !before.Groups["name"].Value.StartsWith("string", StringComparison.OrdinalIgnoreCase))
            return Counted(before.Groups["name"].Value, 1, Number(before.Groups["count"].Value));
        var word = text.IndexOf(' ', StringComparison.Ordinal) is > 0 and var end ? Array.IndexOf(Words, text[..end].ToLowerInvariant()) : -1;
        return word >= 0 ? Counted(text[(text.IndexOf(' ', StringComparison.Ordinal) + 1)..], 1, word + 1) : [Capitals.AtFirst(text)];
    }

    /// <returns>A digit or a word; null for neither.</returns>
    public static int? Count(string text) => int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number
        : Array.IndexOf(Words, text.ToLowerInvariant()) is >= 0 and var word ? word + 1
        : null;

    private static IReadOnlyList<string>? Counted(string name, int from, int to)
    {
        if (to < from || to - from >= Most)
            return null;
        var one = Capitals.AtFirst(Single(name.Trim()));
        return from == 1 && to == 1 ? [one] : [.. Enumerable.Range(from, to - from + 1).Select(n => string.Create(CultureInfo.InvariantCulture, $"{one} {n}"))];
    }

    /// <summary>The last word is meant once: "low pads" are "low pad" each.</summary>
    public static string Single(string name) =>
        name.EndsWith("ies", StringComparison.OrdinalIgnoreCase) && name.Length > 4 ? name[..^3] + "y"
        : Sibilant().IsMatch(name) ? name[..^2]
        : name.EndsWith('s') && !name.EndsWith("ss", StringComparison.OrdinalIgnoreCase) && !name.EndsWith("bass", StringComparison.OrdinalIgnoreCase) && name.Length > 2 ? name[..^1]
        : name;

    private static int Number(string digits) => int.TryParse(digits, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : int.MaxValue;

    [GeneratedRegex(@"^(?<name>.*\D)\s*(?<from>\d{1,3})\s*[-–]\s*(?<to>\d{1,3})$", Linear)]
    private static partial Regex Range();

    [GeneratedRegex(@"^(?<name>.+?)\s*(×|\s[x*])\s*(?<count>\d{1,4})$", Linear)]
    private static partial Regex After();

    [GeneratedRegex(@"^(?<count>[1-9]\d?)\s*(×|x\s|\*)?\s*(?<name>\p{L}.*)$", Linear)]
    private static partial Regex Before();

    [GeneratedRegex("(ss|x|sh|ch|echo|banjo|tango)es$", Linear)]
    private static partial Regex Sibilant();
}
