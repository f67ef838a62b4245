namespace HomeStage.Core.Automation;

/// <summary>What restarts a note-driven ducker, and the curve that it draws.</summary>
/// <param name="Notes">Channels whose notes restart it; none for the beat alone.</param>
/// <param name="EveryQuarters">Restarts it every so many quarter notes of each section, in (0, 64]; null for notes alone.</param>
/// <param name="Curve">Shares of the depth over the ducker's length: 1 is all the way down.</param>
public sealed record NoteTrigger(Sequence<ChannelId> Notes, double? EveryQuarters, Sequence<ShapePoint> Curve)
{
    public const int MostSources = 16;

    /// <summary>Which of their notes restart it, by MIDI note number: some pieces of a kit; none for all of them.</summary>
    public Sequence<int> Numbers { get; init; } = [];

    public bool Hears(int number) => Numbers.Count == 0 || Numbers.Contains(number);

    /// <summary>Down at once, held for a tenth, back in a line; restarted by every quarter.</summary>
    public static readonly NoteTrigger Plain = new([], 1, [new(0, 1), new(0.1, 1), new(1, 0)]);

    /// <returns>The first thing that is wrong, or null.</returns>
    internal Refusal? Check(string owner)
    {
        if (Notes.Count > MostSources)
            return new Refusal.TooMany($"channels that restart {owner}", MostSources);
        if (EveryQuarters is { } every && !(every is > 0 and <= 64))
            return new Refusal.OutOfRange($"What restarts {owner}", every, 0, 64, "quarter notes");
        if (Curve.Any(p => !(p.Value is >= 0 and <= 1)))
            return new Refusal.WrongPlace($"The curve of {owner}", "takes shares of the depth, from 0 to 1");
        return MidiNumbers.Check($"The notes that restart {owner}", Numbers, least: 0)
            ?? ShapePoint.Check($"The curve of {owner}", Curve) ?? Doubles.Check(Notes.Select(n => n.Value), $"channel that restarts {owner}");
    }
}
