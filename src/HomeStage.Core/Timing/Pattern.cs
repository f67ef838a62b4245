namespace HomeStage.Core.Timing;

/// <summary>A starter: notes that repeat from the start of each section in which they play.</summary>
/// <param name="LengthTicks">One cycle, in [1, 999 bars of 4/4].</param>
/// <param name="Notes">In any order.</param>
/// <param name="Sections">Ids of the sections in which it plays; empty for all.</param>
public sealed record Pattern(string Name, int LengthTicks, Sequence<Note> Notes, Sequence<string> Sections)
{
    public const int LongestTicks = 999 * 4 * Ticks.PerQuarter;

    public bool PlaysIn(Section section) => Sections.Count == 0 || Sections.Contains(section.Id);
}

/// <summary>One note of a pattern.</summary>
/// <param name="StartTick">From the start of the pattern, in [0, its length).</param>
/// <param name="LengthTicks">At least 1.</param>
/// <param name="Number">MIDI note number, in [0, 127].</param>
/// <param name="Velocity">In [1, 127].</param>
public sealed record Note(int StartTick, int LengthTicks, int Number, int Velocity);
