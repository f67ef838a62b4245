namespace HomeStage.Core.Kits;

/// <summary>How well the notes of one MIDI track and channel suit an instrument.</summary>
public static class PartFit
{
    /// <param name="kit">Null for an instrument that is no kit.</param>
    /// <param name="channel">MIDI channel, in [1, 16].</param>
    /// <param name="numbers">The different note numbers of the part.</param>
    /// <param name="notes">How many notes it has.</param>
    /// <returns>To be compared: the greater suits better. For a kit, first whether it is on MIDI channel 10, where drums are as a rule (General
    /// MIDI), then how many pieces it hits, less the notes that hit none; for any other how many notes there are.</returns>
    public static (int OnDrumChannel, int Fit) Of(Kit? kit, int channel, IReadOnlyCollection<int> numbers, int notes)
    {
        if (kit is null)
            return (0, notes);
        var struck = kit.Pieces.Select(p => p.Note).ToHashSet();
        var hit = numbers.Count(struck.Contains);
        return (channel == GeneralMidiPercussion.Channel ? 1 : 0, hit - (numbers.Count - hit));
    }
}
