namespace HomeStage.Core.Controls;

/// <summary>One control of a processor or an instrument.</summary>
/// <param name="Id">Unique in its owner.</param>
/// <param name="Unit">What its numbers count.</param>
/// <param name="Min">Lowest value.</param>
/// <param name="Max">Highest value.</param>
/// <param name="Step">What one press of an arrow key moves it by.</param>
/// <param name="Default">The value when a document states none.</param>
public sealed record Parameter(string Id, string Name, Unit Unit, double Min, double Max, double Step, double Default)
{
    public static Parameter Switch(string id, string name, bool on) => new(id, name, Unit.Switch, 0, 1, 1, on ? 1 : 0);

    /// <summary>A choice of named options, counted from 0.</summary>
    public static Parameter Choice(string id, string name, Sequence<string> options, int chosen = 0) =>
        new(id, name, Unit.Choice, 0, options.Count - 1, 1, chosen) { Options = options };

    /// <summary>For a choice: its options by number; none for other units.</summary>
    public Sequence<string> Options { get; init; } = [];

    /// <summary>Id of the switch without which it does nothing; null for none.</summary>
    public string? Needs { get; init; }

    /// <summary>Why nothing can move it while it plays, for a sentence; null for what follows curves and levers.</summary>
    public string? StandsStill { get; init; }

    public double In(Map<double> settings) => settings.TryGetValue(Id, out var value) ? value : Default;
}

/// <summary>What the numbers of a parameter count.</summary>
public enum Unit
{
    Decibels,
    Hertz,
    Milliseconds,
    Seconds,
    Percent,

    /// <summary>Input dB to output dB, above the threshold: 4 is 4 : 1.</summary>
    Ratio,

    /// <summary>Quality of a filter: centre over bandwidth.</summary>
    Quality,

    /// <summary>Length in quarter notes.</summary>
    Quarters,

    /// <summary>0 off, 1 on.</summary>
    Switch,

    Semitones,

    Octaves,

    /// <summary>A number of one of the parameter's options.</summary>
    Choice,

    /// <summary>Nothing that is known: a number as a device shows it.</summary>
    Number,
}
