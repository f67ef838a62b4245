namespace HomeStage.Core.Notes;

/// <summary>Moves every note by the same interval; what would leave [0, 127] is not played.</summary>
/// <param name="Semitones">In [−48, 48]; 12 is an octave up.</param>
public sealed record Transpose(int Semitones) : NoteProcessor
{
    public override IReadOnlyList<TimedNote> Apply(IReadOnlyList<TimedNote> notes) =>
        [.. notes.Select(n => n with { Number = n.Number + Semitones }).Where(n => n.Number is >= 0 and <= 127)];

    internal override Refusal? Check(string channelName) => Semitones is >= -48 and <= 48
        ? null
        : new Refusal.OutOfRange($"The transposition on {channelName}", Semitones, -48, 48, "semitones");
}
