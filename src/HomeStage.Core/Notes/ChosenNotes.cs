namespace HomeStage.Core.Notes;

/// <summary>Lets some notes through alone: of a kit that is layered with a trigger, its kick and snare.</summary>
/// <param name="Numbers">MIDI note numbers, each in [0, 127]; 1 to 128 of them.</param>
public sealed record ChosenNotes(Sequence<int> Numbers) : NoteProcessor
{
    public const int MostNumbers = 128;

    public override IReadOnlyList<TimedNote> Apply(IReadOnlyList<TimedNote> notes) => [.. notes.Where(n => Numbers.Contains(n.Number))];

    internal override Refusal? Check(string channelName) => Check($"The notes that {channelName} is played by", Numbers, least: 1);

    /// <param name="what">Whose choice of notes it is.</param>
    /// <param name="least">How many there must be.</param>
    /// <returns>The first thing that is wrong, or null.</returns>
    internal static Refusal? Check(string what, Sequence<int> numbers, int least) =>
        !(numbers.Count >= least && numbers.Count <= MostNumbers) ? new Refusal.OutOfRange($"{what}, how many", numbers.Count, least, MostNumbers, "")
        : numbers.Where(n => n is < 0 or > 127).Select(n => new Refusal.OutOfRange(what, n, 0, 127, "")).FirstOrDefault()
            ?? Doubles.Check(numbers.Select(n => $"{n}"), what);
}
