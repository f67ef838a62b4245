using System.Globalization;

namespace HomeStage.Core.Timing;

/// <summary>Sections as people write them in one line: "Intro 4, Verse 8, Chorus 8".</summary>
public static class SectionsText
{
    private const int UsualBars = 8;

    public static string Of(Timeline timeline) => string.Join(", ", timeline.Sections.Select(s => string.Create(CultureInfo.InvariantCulture, $"{s.Name} {s.Bars}")));

    /// <param name="now">The timeline that it takes the place of: a section of the same name stays that one, with its own tempo and meter.</param>
    /// <returns>Not held against rules; none where nothing is written. A section without bars has those that it had, or eight.</returns>
    public static Sequence<SectionWish> Read(string text, Timeline now) => text.Split([',', ';', '\n'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(part =>
    {
        var words = part.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
        var bars = words.Length > 1 && int.TryParse(words[^1], NumberStyles.None, CultureInfo.InvariantCulture, out var said) ? said : (int?)null;
        var name = string.Join(' ', bars is null ? words : words[..^1]);
        var same = now.Sections.FirstOrDefault(s => string.Equals(s.Name, name, StringComparison.OrdinalIgnoreCase));
        return new SectionWish(same?.Name ?? name, bars ?? same?.Bars ?? UsualBars, same?.TempoBpm, same?.Meter);
    }).ToSequence();
}
