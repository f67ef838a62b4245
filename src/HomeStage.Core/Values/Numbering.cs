using System.Globalization;

namespace HomeStage.Core.Values;

/// <summary>Names with numbers in them.</summary>
public static class Numbering
{
    /// <returns>The pattern with the number where # stands, or after it.</returns>
    public static string Filled(string pattern, int number)
    {
        var text = number.ToString(CultureInfo.InvariantCulture);
        return pattern.Contains('#', StringComparison.Ordinal) ? pattern.Replace("#", text, StringComparison.Ordinal) : $"{pattern.TrimEnd()} {text}";
    }

    /// <returns>The name, or where it is taken the next number of it that is free.</returns>
    public static string Free(string name, Func<string, bool> isTaken) => isTaken(name) ? Next(name, isTaken) : name;

    /// <returns>The name with the next number that is free: "Choir 3" after "Choir 2", "Bass 2" after "Bass".</returns>
    public static string Next(string name, Func<string, bool> isTaken)
    {
        var (stem, number) = Parted(name);
        var root = stem.TrimEnd();
        var gap = stem.Length == name.Length || stem.Length > root.Length ? " " : "";
        for (var n = Math.Min(number, 1_000_000) + 1; ; n++)
        {
            var end = $"{gap}{n.ToString(CultureInfo.InvariantCulture)}";
            var next = root[..Math.Min(root.Length, TextRules.LongestName - end.Length)] + end;
            if (!isTaken(next))
                return next;
        }
    }

    /// <summary>Whether two names differ by their numbers alone, and the first has the lower one; a name without a number is the first of its kind.</summary>
    public static bool IsBefore(string name, string other)
    {
        var ((stem, number), (otherStem, otherNumber)) = (Parted(name), Parted(other));
        return string.Equals(stem.TrimEnd(), otherStem.TrimEnd(), StringComparison.OrdinalIgnoreCase) && number < otherNumber;
    }

    private static (string Stem, int Number) Parted(string name)
    {
        var stem = name.TrimEnd("0123456789".ToCharArray());
        return (stem, int.TryParse(name.AsSpan(stem.Length), NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : 1);
    }

    /// <returns>An id that no channel has: the one asked for, or with a number after it.</returns>
    public static ChannelId FreshId(string wanted, Func<ChannelId, bool> isTaken) => new(Fresh(wanted, id => isTaken(new(id))));

    /// <returns>An id that is free: the one asked for, or with a number after it.</returns>
    public static string Fresh(string wanted, Func<string, bool> isTaken)
    {
        var root = wanted[..Math.Min(wanted.Length, Identifier.MaxLength - 6)].Trim('-');
        var id = root;
        for (var n = 2; isTaken(id); n++)
            id = string.Create(CultureInfo.InvariantCulture, $"{root}-{n}");
        return id;
    }
}
