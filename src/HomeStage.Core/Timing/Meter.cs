namespace HomeStage.Core.Timing;

/// <summary>A meter as it is written: 6/8 is six beats of an eighth.</summary>
/// <param name="Beats">In [1, 32].</param>
/// <param name="Unit">The note value of one written beat: 1, 2, 4, 8, 16 or 32.</param>
public sealed record Meter(int Beats, int Unit)
{
    public int TicksPerBar => Beats * Ticks.PerQuarter * 4 / Unit;

    /// <summary>Whether the felt beat is dotted: 6, 9 or 12 over 8 and the like.</summary>
    public bool IsCompound => Unit >= 8 && Beats > 3 && Beats % 3 == 0;

    /// <summary>The felt beat: three written beats in a compound meter, one otherwise.</summary>
    public int TicksPerFeltBeat => Ticks.PerQuarter * 4 / Unit * (IsCompound ? 3 : 1);

    public override string ToString() => $"{Beats}/{Unit}";
}

/// <summary>Musical time is counted in ticks, so that every position is exact.</summary>
public static class Ticks
{
    /// <summary>Ticks to a quarter note; divides by 2, 3 and 5 down to a sixty-fourth triplet.</summary>
    public const int PerQuarter = 960;
}
