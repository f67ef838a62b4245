namespace HomeStage.Core.Values;

/// <summary>Some of the 128 notes of MIDI.</summary>
public static class MidiNumbers
{
    public const int Most = 128;

    /// <param name="what">Whose choice of notes it is.</param>
    /// <param name="least">How many there must be.</param>
    /// <returns>The first thing that is wrong, or null: each lies in [0, 127] and is there once.</returns>
    public static Refusal? Check(string what, Sequence<int> numbers, int least) =>
        !(numbers.Count >= least && numbers.Count <= Most) ? new Refusal.OutOfRange($"{what}, how many", numbers.Count, least, Most, "")
        : numbers.Where(n => n is < 0 or >= Most).Select(n => new Refusal.OutOfRange(what, n, 0, Most - 1, "")).FirstOrDefault()
            ?? Doubles.Check(numbers.Select(n => $"{n}"), what);
}
