namespace HomeStage.Core.Timing;

/// <summary>Sections as people write them in one line: "Intro 4, Verse 8, Crossing 6 4/4 104 BPM".</summary>
public static class SectionsText
{
    /// <summary>Bars of a section of which nobody says how long it is.</summary>
    public const int UsualBars = 8;

    public static string Of(Timeline timeline) => string.Join(", ", timeline.Sections.Select(s => new SaidSection(s.Name, s.Bars, s.TempoBpm, s.Meter)));

    /// <param name="now">The timeline that it takes the place of: a section of the same name stays that one, with its own tempo and meter where no others are said.</param>
    /// <returns>Not held against rules; none where nothing is written. A section without bars has those that it had, or eight.</returns>
    public static Sequence<SectionWish> Read(string text, Timeline now) => text.Split([',', ';', '\n'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(part =>
    {
        var said = SaidSection.Read(part);
        var same = now.Sections.FirstOrDefault(s => string.Equals(s.Name, said.Name, StringComparison.OrdinalIgnoreCase));
        return new SectionWish(same?.Name ?? said.Name, said.Bars ?? same?.Bars ?? UsualBars, said.TempoBpm ?? same?.TempoBpm, said.Meter ?? same?.Meter);
    }).ToSequence();
}
