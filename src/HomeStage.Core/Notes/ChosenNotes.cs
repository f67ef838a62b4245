namespace HomeStage.Core.Notes;

/// <summary>Lets some notes through alone: of a kit that is layered with a trigger, its kick and snare.</summary>
/// <param name="Numbers">MIDI note numbers, each in [0, 127]; 1 to 128 of them.</param>
public sealed record ChosenNotes(Sequence<int> Numbers) : NoteProcessor
{
    public override IReadOnlyList<TimedNote> Apply(IReadOnlyList<TimedNote> notes) => [.. notes.Where(n => Numbers.Contains(n.Number))];

    internal override Refusal? Check(string channelName) => MidiNumbers.Check($"The notes that {channelName} is played by", Numbers, least: 1);
}
