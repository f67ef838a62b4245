using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStage.Core.Writing;

/// <summary>Note values as musicians write them: "1/8", "1/8T", "1/8D", "dotted eighth", "quarter triplet".</summary>
/// <remarks>A fraction is one of a whole note, which is four quarters; a dot adds a half; three of a triplet take the time of two (common practice).</remarks>
public static partial class NoteWords
{
    private const double Dotted = 1.5;
    private const double DoubleDotted = 1.75;
    private const double Triplet = 2.0 / 3;

    // How far a number may lie from a note value that it stands for: less than a frame of the longest.
    private const double Alike = 1e-6;

    private static readonly Dictionary<string, double> Names = new(StringComparer.Ordinal)
    {
        ["whole"] = 4,
        ["half"] = 2,
        ["quarter"] = 1,
        ["eighth"] = 0.5,
        ["sixteenth"] = 0.25,
        ["thirty-second"] = 0.125,
        ["sixty-fourth"] = 0.0625,
    };

    /// <summary>The usual ones, by which a length is shown, from the longest: whole notes to sixty-fourths, plain, dotted, and of a triplet.</summary>
    public static Sequence<WrittenNote> Usual { get; } = new[] { 1, 2, 4, 8, 16, 32, 64 }
        .SelectMany(part => new[] { ("", 1.0), ("D", Dotted), ("T", Triplet) }.Select(kind => new WrittenNote(string.Create(CultureInfo.InvariantCulture, $"1/{part}{kind.Item1}"), 4.0 / part * kind.Item2)))
        .OrderByDescending(n => n.Quarters).ToSequence();

    /// <returns>"1/8T"; null where no usual one is that long.</returns>
    public static string? Of(double quarters) => Usual.FirstOrDefault(n => Math.Abs(n.Quarters - quarters) < Alike)?.Text;

    /// <returns>Quarter notes; null where the text is no note value.</returns>
    public static double? Read(string text)
    {
        var words = text.Trim().ToLowerInvariant().Replace("thirty second", "thirty-second", StringComparison.Ordinal).Replace("sixty fourth", "sixty-fourth", StringComparison.Ordinal)
            .Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var (length, kind) = ((double?)null, 1.0);
        foreach (var word in words)
            if (Fraction().Match(word) is { Success: true } fraction && length is null)
            {
                if (!double.TryParse(fraction.Groups["of"].Value, CultureInfo.InvariantCulture, out var of) || of == 0)
                    return null;
                length = 4 * double.Parse(fraction.Groups["parts"].Value, CultureInfo.InvariantCulture) / of;
                kind *= fraction.Groups["kind"].Value switch { "t" => Triplet, "d" or "." => Dotted, ".." => DoubleDotted, _ => 1 };
            }
            else if (length is null && Names.TryGetValue(word.TrimEnd('s'), out var named))
                length = named;
            else if (word is "dotted" or "triplet" or "triplets" or "double-dotted" && kind == 1)
                kind = word switch { "dotted" => Dotted, "double-dotted" => DoubleDotted, _ => Triplet };
            else if (word is not ("note" or "notes"))
                return null;
        return length * kind;
    }

    [GeneratedRegex(@"^(?<parts>\d{1,3})/(?<of>\d{1,3})(?<kind>t|d|\.\.|\.)?$", RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture)]
    private static partial Regex Fraction();
}

/// <summary>A note value and how it is written.</summary>
public sealed record WrittenNote(string Text, double Quarters);
