using HomeStage.Core.Timing;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What tempo, meter and sections may be.</summary>
internal static class TimelineRules
{
    public const int MostBars = 4000;
    public const int MostBarsOfASection = 999;

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? Check(Timeline timeline)
    {
        if (timeline.Sections.Count == 0)
            return new Refusal.Missing("section", "", "on the timeline; it needs at least one");
        if ((Tempo(timeline.TempoBpm) ?? Meter(timeline.Meter) ?? timeline.CountIn?.Check()) is { } bad)
            return bad;
        foreach (var section in timeline.Sections)
        {
            if (Named(section.Name, section.TempoBpm, section.Meter) is { } wrong)
                return wrong;
            if (!Identifier.IsValid(section.Id))
                return new Refusal.BadText($"The id of the section {section.Name}", 1, Identifier.MaxLength);
            if (Bars(section.Name, section.Bars) is { } tooLong)
                return tooLong;
        }

        var bars = timeline.Sections.Sum(s => s.Bars);
        return bars > MostBars
            ? new Refusal.OutOfRange("The bars of the timeline", bars, 1, MostBars, "")
            : Doubles.Check(timeline.Sections.Select(s => s.Name), "section") ?? Doubles.Check(timeline.Sections.Select(s => s.Id), "section");
    }

    /// <summary>One section by itself, as somebody says it.</summary>
    public static Refusal? Section(string name, int bars, double? tempoBpm, Meter? meter) => Named(name, tempoBpm, meter) ?? Bars(name, bars);

    public static Refusal? Tempo(double bpm) => bpm >= Timeline.SlowestBpm && bpm <= Timeline.FastestBpm
        ? null
        : new Refusal.OutOfRange("The tempo", bpm, Timeline.SlowestBpm, Timeline.FastestBpm, "quarter notes a minute");

    public static Refusal? Meter(Meter meter)
    {
        if (!(meter.Beats is >= 1 and <= 32))
            return new Refusal.OutOfRange("The beats of a meter", meter.Beats, 1, 32, "");
        return meter.Unit is 1 or 2 or 4 or 8 or 16 or 32 ? null : new Refusal.OutOfRange("The note value of a meter", meter.Unit, 1, 32, "");
    }

    private static Refusal? Named(string name, double? tempoBpm, Meter? meter) =>
        TextRules.Name("A section's name", name, TextRules.LongestSection)
        ?? (tempoBpm is { } bpm ? Tempo(bpm) : null)
        ?? (meter is not null ? Meter(meter) : null);

    private static Refusal? Bars(string name, int bars) =>
        bars is >= 1 and <= MostBarsOfASection ? null : new Refusal.OutOfRange($"The bars of {name}", bars, 1, MostBarsOfASection, "");
}
