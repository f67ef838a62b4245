namespace HomeStage.Core.Media;

/// <summary>How a loop follows the tempo.</summary>
public enum LoopFit
{
    /// <summary>It does not: it plays as it was recorded.</summary>
    AsRecorded,

    /// <summary>Played faster or slower, its pitch with it, until its beats are those of the song.</summary>
    Resampled,

    /// <summary>Cut at its beats; each piece starts on a beat of the song, at its own speed. A piece that is longer than the
    /// beat is cut short, one that is shorter leaves a gap.</summary>
    CutAtBeats,
}
