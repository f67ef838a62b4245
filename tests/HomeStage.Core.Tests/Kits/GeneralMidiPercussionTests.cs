using HomeStage.Core.Kits;

namespace HomeStage.Core.Tests.Kits;

/// <summary>General MIDI System Level 1, percussion key map: the 47 names as published (typed here from memory, note by note).</summary>
public sealed class GeneralMidiPercussionTests
{
    private const string Published = """
        35 Acoustic Bass Drum
        36 Bass Drum 1
        37 Side Stick
        38 Acoustic Snare
        39 Hand Clap
        40 Electric Snare
        41 Low Floor Tom
        42 Closed Hi Hat
        43 High Floor Tom
        44 Pedal Hi-Hat
        45 Low Tom
        46 Open Hi-Hat
        47 Low-Mid Tom
        48 Hi-Mid Tom
        49 Crash Cymbal 1
        50 High Tom
        51 Ride Cymbal 1
        52 Chinese Cymbal
        53 Ride Bell
        54 Tambourine
        55 Splash Cymbal
        56 Cowbell
        57 Crash Cymbal 2
        58 Vibraslap
        59 Ride Cymbal 2
        60 Hi Bongo
        61 Low Bongo
        62 Mute Hi Conga
        63 Open Hi Conga
        64 Low Conga
        65 High Timbale
        66 Low Timbale
        67 High Agogo
        68 Low Agogo
        69 Cabasa
        70 Maracas
        71 Short Whistle
        72 Long Whistle
        73 Short Guiro
        74 Long Guiro
        75 Claves
        76 Hi Wood Block
        77 Low Wood Block
        78 Mute Cuica
        79 Open Cuica
        80 Mute Triangle
        81 Open Triangle
        """;

    [Fact]
    public void At_EveryNoteOfTheMap_IsCalledAsPublished()
    {
        var lines = Published.Split('\n').Select(l => l.Trim()).ToList();

        Assert.Equal(47, lines.Count);
        Assert.Equal(lines, Enumerable.Range(35, 47).Select(n => $"{n} {GeneralMidiPercussion.At(n)!.Value.Name}"));
        Assert.All(Enumerable.Range(35, 47), n => Assert.True(FamilyTree.Parts(GeneralMidiPercussion.At(n)!.Value.Family).Count == 2));
    }

    [Theory]
    [InlineData(34)]
    [InlineData(82)]
    public void At_NotesOutsideOfTheMap_HasNothing(int note) => Assert.Null(GeneralMidiPercussion.At(note));
}
