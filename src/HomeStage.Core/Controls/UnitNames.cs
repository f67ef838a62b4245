namespace HomeStage.Core.Controls;

public static class UnitNames
{
    /// <returns>What stands behind a number of this unit; empty for plain numbers.</returns>
    public static string Symbol(this Unit unit) => unit switch
    {
        Unit.Decibels => "dB",
        Unit.Hertz => "Hz",
        Unit.Milliseconds => "ms",
        Unit.Seconds => "s",
        Unit.Percent => "%",
        Unit.Ratio => ": 1",
        Unit.Quality => "Q",
        Unit.Quarters => "quarter notes",
        Unit.Semitones => "st",
        Unit.Octaves => "octaves",
        _ => "",
    };
}
