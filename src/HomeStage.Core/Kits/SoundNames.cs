namespace HomeStage.Core.Kits;

/// <summary>Which stand-in voice plays a piece of which nothing but its name, family and note is known.</summary>
public static class SoundNames
{
    // The more particular word stands before the one that it contains.
    private static readonly (string Word, DrumSound Sound)[] Words =
    [
        ("bell tree", DrumSound.BellTree), ("wind chime", DrumSound.BellTree), ("bell", DrumSound.Bell), ("gong", DrumSound.Gong),
        ("sand", DrumSound.SandBlock), ("shaker", DrumSound.Shaker), ("maraca", DrumSound.Shaker), ("tambourine", DrumSound.Shaker),
        ("low wood", DrumSound.LowWoodBlock), ("wood block low", DrumSound.LowWoodBlock), ("wood", DrumSound.HighWoodBlock),
        ("clap", DrumSound.Clap), ("brush", DrumSound.BrushedDrum), ("deep drum rim", DrumSound.DeepDrumRim), ("deep", DrumSound.DeepDrum),
        ("rim", DrumSound.RimClick), ("side stick", DrumSound.RimClick), ("side drum", DrumSound.SideDrum), ("snare", DrumSound.Snare),
        ("kick", DrumSound.Kick), ("bass drum", DrumSound.Kick), ("open hat", DrumSound.OpenHat), ("hat open", DrumSound.OpenHat),
        ("open hi-hat", DrumSound.OpenHat), ("pedal", DrumSound.FootHat), ("foot", DrumSound.FootHat), ("hat", DrumSound.ClosedHat),
        ("low tom", DrumSound.LowTom), ("floor tom", DrumSound.LowTom), ("tom low", DrumSound.LowTom), ("tom", DrumSound.HighTom),
        ("slap", DrumSound.FrameDrumSlap), ("frame", DrumSound.FrameDrumOpen), ("conga", DrumSound.FrameDrumOpen), ("bongo", DrumSound.FrameDrumSlap),
        ("ride", DrumSound.Ride), ("crash", DrumSound.Crash), ("cymbal", DrumSound.Crash),
    ];

    // General MIDI 1 percussion key map, the common drum set (from memory).
    private static readonly Dictionary<int, DrumSound> Notes = new()
    {
        [35] = DrumSound.Kick,
        [36] = DrumSound.Kick,
        [37] = DrumSound.RimClick,
        [38] = DrumSound.Snare,
        [39] = DrumSound.Clap,
        [40] = DrumSound.Snare,
        [41] = DrumSound.LowTom,
        [42] = DrumSound.ClosedHat,
        [43] = DrumSound.LowTom,
        [44] = DrumSound.FootHat,
        [45] = DrumSound.LowTom,
        [46] = DrumSound.OpenHat,
        [47] = DrumSound.HighTom,
        [48] = DrumSound.HighTom,
        [49] = DrumSound.Crash,
        [50] = DrumSound.HighTom,
        [51] = DrumSound.Ride,
        [52] = DrumSound.Crash,
        [53] = DrumSound.Bell,
        [54] = DrumSound.Shaker,
        [55] = DrumSound.Crash,
        [57] = DrumSound.Crash,
        [59] = DrumSound.Ride,
        [69] = DrumSound.Shaker,
        [70] = DrumSound.Shaker,
        [76] = DrumSound.HighWoodBlock,
        [77] = DrumSound.LowWoodBlock,
        [82] = DrumSound.Shaker,
        [84] = DrumSound.BellTree,
    };

    /// <returns>By the words of the name, then of the family, then by the note; a rim click where nothing tells.</returns>
    public static DrumSound Guess(string name, string family, int note) =>
        ByWord(name) ?? ByWord(family) ?? (Notes.TryGetValue(note, out var sound) ? sound : DrumSound.RimClick);

    private static DrumSound? ByWord(string text)
    {
        foreach (var (word, sound) in Words)
            if (text.Contains(word, StringComparison.OrdinalIgnoreCase))
                return sound;
        return null;
    }
}
