namespace HomeStage.Core.Roles;

/// <summary>Takes a name apart as people put it together: blanks, hyphens, camel case, and numbers that cling to words.</summary>
public static class NameWords
{
    /// <summary>In lower case.</summary>
    public static IReadOnlyList<string> Of(string name) => [.. AsWritten(name).Select(w => w.ToLowerInvariant())];

    public static IReadOnlyList<string> AsWritten(string name)
    {
        var words = new List<string>();
        var start = 0;
        for (var i = 0; i <= name.Length; i++)
        {
            if (i < name.Length && i > start && !Breaks(name, i))
                continue;
            if (i > start && char.IsLetterOrDigit(name[start]))
                words.Add(name[start..i]);
            start = i;
            if (i < name.Length && !char.IsLetterOrDigit(name[i]))
                start = i + 1;
        }

        return words;
    }

    private static bool Breaks(string name, int i)
    {
        var (before, here) = (name[i - 1], name[i]);
        if (!char.IsLetterOrDigit(here) || !char.IsLetterOrDigit(before))
            return true;
        if (char.IsDigit(before) != char.IsDigit(here))
            return true;
        // "subBass" breaks before the capital, "OHLeft" before the last of them; plurals such as "OHs" stay whole.
        var next = i + 1 < name.Length ? name[i + 1] : ' ';
        var endsPlural = char.IsUpper(here) && next == 's' && (i + 2 >= name.Length || !char.IsLower(name[i + 2]));
        return char.IsUpper(here) && !endsPlural && (char.IsLower(before) || (char.IsUpper(before) && char.IsLower(next)));
    }
}
