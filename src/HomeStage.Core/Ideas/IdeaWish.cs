using HomeStage.Core.Timing;

namespace HomeStage.Core.Ideas;

/// <summary>How what was played becomes a starter.</summary>
/// <param name="Bars">How many of the last bars are kept, from 1; null for the whole section.</param>
public sealed record IdeaWish(int? Bars = null)
{
    /// <summary>How far each note is pulled to the grid, in [0, 1]: 0 keeps it as it was played.</summary>
    public double Strength { get; init; }

    /// <summary>In [1, 16 quarters].</summary>
    public int GridTicks { get; init; } = Ticks.PerQuarter / 4;

    /// <summary>Name of the template's groove that the grid follows; null for a straight one.</summary>
    public string? Groove { get; init; }

    /// <summary>Whether wheels become curves.</summary>
    public bool Wheels { get; init; } = true;

    /// <returns>The first thing that is wrong, or null.</returns>
    internal Refusal? Check() =>
        Bars is < 1 or > 999 ? new Refusal.OutOfRange("The bars that are kept", Bars.Value, 1, 999, "")
        : !(Strength is >= 0 and <= 1) ? new Refusal.OutOfRange("The pull to the grid", 100 * Strength, 0, 100, "%")
        : GridTicks is < 1 or > 16 * Ticks.PerQuarter ? new Refusal.OutOfRange("The grid", GridTicks, 1, 16 * Ticks.PerQuarter, "ticks")
        : null;
}
