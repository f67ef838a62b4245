namespace HomeStage.Core.Strips;

/// <summary>Which notes a voice may be drawn to, and how far it is from the nearest.</summary>
/// <remarks>Equal temperament, A4 = 440 Hz = note 69 (MIDI 1.0).</remarks>
public static class PitchLaw
{
    /// <summary>Pitch classes of a key: the seven fifths around its tonic.</summary>
    /// <param name="key">Without one every semitone is in the scale.</param>
    /// <returns>By pitch class, C first.</returns>
    public static bool[] Scale(MusicalKey? key)
    {
        var scale = new bool[12];
        for (var fifth = key is null ? -6 : key.Fifths - 1; fifth <= (key is null ? 5 : key.Fifths + 5); fifth++)
            scale[ClassOf(fifth * 7)] = true;
        return scale;
    }

    /// <returns>Semitones up to the nearest note of the scale; negative when it lies below.</returns>
    public static double Correction(double hz, bool[] scale)
    {
        var note = 69 + 12 * Math.Log2(hz / 440);
        return Enumerable.Range((int)Math.Floor(note) - 6, 14).Where(n => scale[ClassOf(n)]).MinBy(n => Math.Abs(n - note)) - note;
    }

    private static int ClassOf(int note) => ((note % 12) + 12) % 12;
}
