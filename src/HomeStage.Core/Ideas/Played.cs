namespace HomeStage.Core.Ideas;

/// <summary>What somebody played into a channel while something was heard, or into silence.</summary>
/// <param name="Section">Id of the section that was heard; null for the whole timeline.</param>
/// <param name="Notes">In any order; at most <see cref="MostNotes"/>.</param>
/// <param name="Wheels">In any order; at most <see cref="MostMoves"/>.</param>
public sealed record Played(ChannelId Channel, string? Section, Sequence<PlayedNote> Notes, Sequence<PlayedMove> Wheels)
{
    public const int MostNotes = 4096;
    public const int MostMoves = 20_000;

    private const double LongestSeconds = 3600;

    /// <returns>The first thing that is wrong, or null.</returns>
    internal Refusal? Check()
    {
        if (Notes.Count is 0 or > MostNotes)
            return new Refusal.OutOfRange("The notes of an idea", Notes.Count, 1, MostNotes, "");
        if (Wheels.Count > MostMoves)
            return new Refusal.TooMany("moves of a wheel", MostMoves);
        foreach (var note in Notes)
            if (!(note.Number is >= 0 and <= 127 && note.Velocity is >= 1 and <= 127))
                return new Refusal.OutOfRange(note.Number is >= 0 and <= 127 ? "A velocity" : "A note", note.Number is >= 0 and <= 127 ? note.Velocity : note.Number, 0, 127, "");
        foreach (var seconds in Notes.SelectMany(n => (double[])[n.Seconds, n.LengthSeconds]).Concat(Wheels.Select(w => w.Seconds)))
            if (!(seconds is >= 0 and <= LongestSeconds))
                return new Refusal.OutOfRange("A time", seconds, 0, LongestSeconds, "s");
        return Wheels.All(w => w is { Controller: >= 0 and <= 127, Value: >= 0 and <= 127 }) ? null : new Refusal.WrongPlace("A move of a wheel", "has a controller or a value outside 0 to 127");
    }
}

/// <summary>One note as it was played.</summary>
/// <param name="Pass">Which time around the loop; a later one is higher.</param>
/// <param name="Seconds">From the start of what was heard, on that time around, as the player heard it.</param>
/// <param name="LengthSeconds">How long it was held.</param>
/// <param name="Number">What the pad or key sent, in [0, 127].</param>
/// <param name="Velocity">In [1, 127].</param>
public sealed record PlayedNote(int Pass, double Seconds, double LengthSeconds, int Number, int Velocity);

/// <summary>Where a wheel, pedal or knob stood.</summary>
/// <param name="Controller">MIDI controller, in [0, 127].</param>
/// <param name="Value">In [0, 127].</param>
public sealed record PlayedMove(int Pass, double Seconds, int Controller, int Value);
