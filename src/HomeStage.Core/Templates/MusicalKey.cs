namespace HomeStage.Core.Templates;

/// <summary>The key of a song, counted as a key signature counts it.</summary>
/// <param name="Fifths">Sharps above 0, flats below, in [−7, 7].</param>
/// <remarks>The Standard MIDI File's key signature event (FF 59) has the same two values.</remarks>
public sealed record MusicalKey(int Fifths, bool Minor)
{
    private static readonly string[] Tonics =
        ["C♭", "G♭", "D♭", "A♭", "E♭", "B♭", "F", "C", "G", "D", "A", "E", "B", "F♯", "C♯", "G♯", "D♯", "A♯"];

    /// <summary>"D minor", "B♭ major".</summary>
    public string Name => $"{Tonics[Fifths + 7 + (Minor ? 3 : 0)]} {(Minor ? "minor" : "major")}";
}
