namespace HomeStage.Core.Timing;

/// <summary>How long a note lasts at a tempo.</summary>
public static class NoteValue
{
    /// <summary>60 / BPM × quarters.</summary>
    /// <param name="ticks">Length in ticks, at least 0.</param>
    /// <param name="tempoBpm">Quarter notes a minute, above 0.</param>
    public static double Seconds(long ticks, double tempoBpm) => 60.0 / tempoBpm * ticks / Ticks.PerQuarter;

    /// <returns>Ticks, between two whole ones as well.</returns>
    public static double TicksIn(double seconds, double tempoBpm) => seconds * tempoBpm / 60 * Ticks.PerQuarter;

    /// <summary>60 000 / BPM × quarters: 500 ms for a quarter at 120.</summary>
    /// <param name="quarters">Length in quarter notes: 0.75 is a dotted eighth, 1/3 an eighth triplet.</param>
    public static double Milliseconds(double quarters, double tempoBpm) => 60000.0 / tempoBpm * quarters;
}
