using System.Globalization;
using System.Text.RegularExpressions;
using HomeStage.Core.Controls;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Writing;

/// <summary>Numbers as people write them: with a decimal comma, a prefix, a unit of their own, or as a note value.</summary>
public static partial class WrittenValue
{
    /// <param name="text">"1.2k", "500 ms", "-3,5 dB", "dotted eighth".</param>
    /// <param name="unit">What the number is to count.</param>
    /// <param name="tempoBpm">By which note values and times are the same, above 0.</param>
    /// <returns>The number in that unit, which may lie outside of any range; null where the text is none, or counts something else.</returns>
    public static double? Read(string text, Unit unit, double tempoBpm)
    {
        if (!(tempoBpm > 0))
            throw new ArgumentOutOfRangeException(nameof(tempoBpm), tempoBpm, "Must be above 0.");
        var plain = text.Trim().Replace('−', '-').Replace('\u00a0', ' ').ToLowerInvariant();
        if (unit is Unit.Quarters or Unit.Milliseconds or Unit.Seconds && NoteWords.Read(plain) is { } quarters)
            return OfQuarters(quarters, unit, tempoBpm);
        if (Number().Match(plain) is not { Success: true } found
            || !double.TryParse(found.Groups["number"].Value.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var number) || !double.IsFinite(number))
            return null;
        return In(number, found.Groups["unit"].Value.Trim(), unit, tempoBpm);
    }

    /// <summary>A value as it is shown, which can be typed again.</summary>
    /// <param name="digits">Most digits behind the point, at least 0.</param>
    public static string Of(double value, Unit unit, int digits)
    {
        var rounded = Math.Round(value, digits);
        if (unit == Unit.Quarters && (NoteWords.Of(value) ?? NoteWords.Of(rounded)) is { } note)
            return note;
        var number = rounded.ToString($"0.{new string('#', digits)}", CultureInfo.InvariantCulture).Replace('-', '−');
        return unit.Symbol() is { Length: > 0 } symbol ? $"{number} {symbol}" : number;
    }

    private static double? In(double number, string said, Unit unit, double tempoBpm) => (unit, said) switch
    {
        (Unit.Hertz, "" or "hz") => number,
        (Unit.Hertz, "k" or "khz") => 1000 * number,
        (Unit.Milliseconds, "" or "ms") => number,
        (Unit.Milliseconds, "s" or "sec") => 1000 * number,
        (Unit.Milliseconds, "us" or "µs" or "μs") => number / 1000,
        (Unit.Seconds, "" or "s" or "sec") => number,
        (Unit.Seconds, "ms") => number / 1000,
        (Unit.Quarters, "" or "quarters" or "quarter notes" or "quarter note" or "beats" or "beat") => number,
        (Unit.Quarters, "ms") => number / NoteValue.Milliseconds(1, tempoBpm),
        (Unit.Quarters, "s" or "sec") => 1000 * number / NoteValue.Milliseconds(1, tempoBpm),
        (Unit.Decibels, "" or "db") => number,
        (Unit.Percent, "" or "%" or "percent") => number,
        (Unit.Ratio, "" or ":1" or ": 1" or "to 1") => number,
        (Unit.Quality, "" or "q") => number,
        (Unit.Semitones, "" or "st" or "semitones" or "semitone") => number,
        (Unit.Semitones, "ct" or "cents" or "cent") => number / 100,
        (Unit.Octaves, "" or "oct" or "octaves" or "octave") => number,
        (Unit.Number, "") => number,
        _ => null,
    };

    private static double? OfQuarters(double quarters, Unit unit, double tempoBpm) => unit switch
    {
        Unit.Quarters => quarters,
        Unit.Seconds => NoteValue.Milliseconds(quarters, tempoBpm) / 1000,
        _ => NoteValue.Milliseconds(quarters, tempoBpm),
    };

    [GeneratedRegex(@"^(?<number>[+-]?(\d+([.,]\d*)?|[.,]\d+))(?<unit>\s*[^\d\s].*)?$", RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture)]
    private static partial Regex Number();
}
