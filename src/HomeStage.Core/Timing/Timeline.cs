namespace HomeStage.Core.Timing;

/// <summary>Tempo and meter by section.</summary>
/// <param name="TempoBpm">Quarter notes a minute whatever the meter, in [20, 400].</param>
/// <param name="Sections">At least one.</param>
public sealed record Timeline(double TempoBpm, Meter Meter, Sequence<Section> Sections)
{
    public const double SlowestBpm = 20;
    public const double FastestBpm = 400;

    /// <summary>Null where nothing is counted.</summary>
    public CountIn? CountIn { get; init; }

    public Meter MeterOf(Section section) => section.Meter ?? Meter;

    public double TempoOf(Section section) => section.TempoBpm ?? TempoBpm;

    public int TicksOf(Section section) => section.Bars * MeterOf(section).TicksPerBar;

    public double SecondsOf(Section section) => NoteValue.Seconds(TicksOf(section), TempoOf(section));

    /// <returns>What people call a section; the id itself where there is none of it.</returns>
    public string NameOf(string section) => Sections.FirstOrDefault(s => s.Id == section)?.Name ?? section;
}

/// <summary>A named stretch of bars.</summary>
/// <param name="Id">A valid <see cref="Identifier"/>, unique in the timeline; patterns, sounds and shapes refer to it, so that a section
/// can be renamed.</param>
/// <param name="Name">1 to 40 characters, unique in the timeline.</param>
/// <param name="Bars">In [1, 999].</param>
/// <param name="TempoBpm">The section's own tempo; null takes the timeline's.</param>
/// <param name="Meter">The section's own meter; null takes the timeline's.</param>
public sealed record Section(string Id, string Name, int Bars, double? TempoBpm = null, Meter? Meter = null);
