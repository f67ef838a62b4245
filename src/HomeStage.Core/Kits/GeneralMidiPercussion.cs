namespace HomeStage.Core.Kits;

/// <summary>What notes 35 to 81 are called when nothing else says, and the families that they stand in.</summary>
/// <remarks>General MIDI System Level 1, percussion key map (MIDI Manufacturers Association, 1991); the families are ours.</remarks>
public static class GeneralMidiPercussion
{
    /// <summary>The MIDI channel that drums are on, in [1, 16].</summary>
    public const int Channel = 10;

    public const int FirstNote = 35;

    private static readonly (string Name, string Family)[] Map =
    [
        ("Acoustic Bass Drum", "drums/kick"), ("Bass Drum 1", "drums/kick"), ("Side Stick", "drums/snare"), ("Acoustic Snare", "drums/snare"),
        ("Hand Clap", "drums/hands"), ("Electric Snare", "drums/snare"), ("Low Floor Tom", "drums/toms"), ("Closed Hi Hat", "drums/hats"),
        ("High Floor Tom", "drums/toms"), ("Pedal Hi-Hat", "drums/hats"), ("Low Tom", "drums/toms"), ("Open Hi-Hat", "drums/hats"),
        ("Low-Mid Tom", "drums/toms"), ("Hi-Mid Tom", "drums/toms"), ("Crash Cymbal 1", "drums/cymbals"), ("High Tom", "drums/toms"),
        ("Ride Cymbal 1", "drums/cymbals"), ("Chinese Cymbal", "drums/cymbals"), ("Ride Bell", "drums/cymbals"), ("Tambourine", "percussion/shakers"),
        ("Splash Cymbal", "drums/cymbals"), ("Cowbell", "percussion/metal"), ("Crash Cymbal 2", "drums/cymbals"), ("Vibraslap", "percussion/wood"),
        ("Ride Cymbal 2", "drums/cymbals"), ("Hi Bongo", "percussion/skins"), ("Low Bongo", "percussion/skins"), ("Mute Hi Conga", "percussion/skins"),
        ("Open Hi Conga", "percussion/skins"), ("Low Conga", "percussion/skins"), ("High Timbale", "percussion/skins"), ("Low Timbale", "percussion/skins"),
        ("High Agogo", "percussion/metal"), ("Low Agogo", "percussion/metal"), ("Cabasa", "percussion/shakers"), ("Maracas", "percussion/shakers"),
        ("Short Whistle", "percussion/whistles"), ("Long Whistle", "percussion/whistles"), ("Short Guiro", "percussion/wood"), ("Long Guiro", "percussion/wood"),
        ("Claves", "percussion/wood"), ("Hi Wood Block", "percussion/wood"), ("Low Wood Block", "percussion/wood"), ("Mute Cuica", "percussion/skins"),
        ("Open Cuica", "percussion/skins"), ("Mute Triangle", "percussion/metal"), ("Open Triangle", "percussion/metal"),
    ];

    public const int LastNote = 81;

    /// <param name="note">MIDI note number, in [0, 127].</param>
    /// <returns>Null outside of 35 to 81.</returns>
    public static (string Name, string Family)? At(int note) => note is >= FirstNote and <= LastNote ? Map[note - FirstNote] : null;
}
