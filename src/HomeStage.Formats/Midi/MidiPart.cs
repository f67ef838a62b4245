using HomeStage.Core.Timing;

namespace HomeStage.Formats.Midi;

/// <summary>The notes of one channel in one track of a Standard MIDI File, ready to become a pattern.</summary>
/// <param name="Track">From 1.</param>
/// <param name="Channel">MIDI channel, in [1, 16].</param>
/// <param name="TrackName">As the file names it; empty where it does not.</param>
/// <param name="SkippedBars">Whole bars before the first note that were left out.</param>
public sealed record MidiPart(int Track, int Channel, string TrackName, int SkippedBars, Pattern Pattern)
{
    /// <summary>How many ticks of ours those bars are.</summary>
    public long SkippedTicks { get; init; }

    /// <summary>The notes that sound, each once, ascending.</summary>
    public IEnumerable<int> Numbers => Pattern.Notes.Select(n => n.Number).Distinct().Order();
}

/// <summary>What was found in a Standard MIDI File.</summary>
/// <param name="TempoBpm">The first tempo that it states.</param>
/// <param name="Meter">The first meter that it states.</param>
/// <param name="LeftOut">What the file holds besides notes, in words.</param>
public sealed record MidiContent(
    IReadOnlyList<MidiPart> Parts, double? TempoBpm, Meter? Meter, IReadOnlyList<string> LeftOut)
{
    /// <summary>The first key signature of the file; null where there is none.</summary>
    public MusicalKey? Key { get; init; }

    /// <summary>Every tempo with where it begins, in quarter notes, in order.</summary>
    public IReadOnlyList<(double Quarters, double Bpm)> Tempos { get; init; } = [];

    /// <summary>Every meter that can be one of ours, with where it begins, in quarter notes, in order.</summary>
    public IReadOnlyList<(double Quarters, Meter Meter)> Meters { get; init; } = [];

    /// <summary>Every marker with where it stands, in quarter notes, in order.</summary>
    public IReadOnlyList<(string Name, double Quarters)> Markers { get; init; } = [];
}
