namespace HomeStage.Core.Values;

/// <summary>The key of a song, counted as a key signature counts it.</summary>
/// <param name="Fifths">Sharps above 0, flats below, in [−7, 7].</param>
/// <remarks>The Standard MIDI File's key signature event (FF 59) has the same two values.</remarks>
public sealed record MusicalKey(int Fifths, bool Minor)
{
    private static readonly string[] Tonics =
        ["C♭", "G♭", "D♭", "A♭", "E♭", "B♭", "F", "C", "G", "D", "A", "E", "B", "F♯", "C♯", "G♯", "D♯", "A♯"];

    /// <summary>Every key that a signature can say, by name.</summary>
    public static Sequence<MusicalKey> All { get; } = Enumerable.Range(-7, 15)
        .SelectMany(fifths => new[] { new MusicalKey(fifths, false), new MusicalKey(fifths, true) })
        .OrderBy(k => k.Name, StringComparer.Ordinal)
        .ToSequence();

    /// <summary>"D minor", "B♭ major".</summary>
    public string Name => $"{Tonics[Fifths + 7 + (Minor ? 3 : 0)]} {(Minor ? "minor" : "major")}";
}
