using System.Globalization;

namespace HomeStage.Formats.Sfz;

/// <summary>Keys as SFZ writes them: a number, or a name with an octave in which c4 is 60.</summary>
internal static class SfzNotes
{
    private const string Letters = "c d ef g a b";

    /// <returns>In [0, 127]; null for anything else.</returns>
    public static int? NumberOf(string text)
    {
        var key = text.Trim().ToLowerInvariant();
        if (int.TryParse(key, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var number))
            return number is >= 0 and <= 127 ? number : null;
        if (key.Length < 2 || key[0] == ' ' || Letters.IndexOf(key[0], StringComparison.Ordinal) is var step && step < 0)
            return null;
        var sign = key[1] switch { '#' => 1, 'b' => -1, _ => 0 };
        if (!int.TryParse(key.AsSpan(sign == 0 ? 1 : 2), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var octave) || octave is < -2 or > 10)
            return null;
        return 12 * (octave + 1) + step + sign is >= 0 and <= 127 and var note ? note : null;
    }
}
