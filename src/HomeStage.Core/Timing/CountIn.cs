namespace HomeStage.Core.Timing;

/// <summary>What is counted before the first section, and whether the beats go on through the song.</summary>
/// <param name="Bars">In [0, 8], in the meter and tempo of the first section; with 0 the song begins at once.</param>
/// <param name="Click">Whether every felt beat of the song has a click as well.</param>
public sealed record CountIn(int Bars, bool Click = false)
{
    public const int MostBars = 8;

    private const string Name = "Count-in";

    /// <returns>The timeline with the count as a section before all others; the same where nothing is counted.</returns>
    public Timeline Before(Timeline timeline)
    {
        if (Bars == 0)
            return timeline;
        var first = timeline.Sections[0];
        var taken = timeline.Sections.Select(s => s.Id).ToHashSet(StringComparer.Ordinal);
        var count = new Section(Numbering.Fresh("count-in", taken.Contains), Name, Bars, timeline.TempoOf(first), timeline.MeterOf(first));
        return timeline with { Sections = [count, .. timeline.Sections] };
    }

    /// <returns>Where the first section begins once it is counted in, in ticks.</returns>
    public long LeadTicks(Timeline timeline) => (long)Bars * timeline.MeterOf(timeline.Sections[0]).TicksPerBar;

    /// <returns>The same in seconds.</returns>
    public double LeadSeconds(Timeline timeline) => NoteValue.Seconds(LeadTicks(timeline), timeline.TempoOf(timeline.Sections[0]));

    /// <summary>The felt beats that are struck, the first of each bar as the accent.</summary>
    /// <returns>Their ticks from the start of the count, ascending.</returns>
    public IEnumerable<(long Tick, bool Accent)> Beats(Timeline timeline)
    {
        var counted = Before(timeline);
        foreach (var section in new TimeMap(counted).Sections.Take(Click ? counted.Sections.Count : counted.Sections.Count - timeline.Sections.Count))
            for (long tick = 0; tick < section.LengthTicks; tick += section.Meter.TicksPerFeltBeat)
                yield return (section.StartTick + tick, tick % section.Meter.TicksPerBar == 0);
    }

    /// <returns>What is wrong with it, or null.</returns>
    internal Refusal? Check() => Bars is >= 0 and <= MostBars ? null : new Refusal.OutOfRange("The bars of the count-in", Bars, 0, MostBars, "");
}
