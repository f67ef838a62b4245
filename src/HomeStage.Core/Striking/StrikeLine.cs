namespace HomeStage.Core.Striking;

/// <summary>One thing that goes in a strike, changes, or is odd.</summary>
/// <param name="Key">What it is known by while the song stays as it is.</param>
/// <param name="Channels">Those that it is about, the first before all.</param>
/// <param name="Words">What it is: "Fiddle close tk1", "3 patterns: Verse, Chorus, Fill".</param>
/// <param name="Why">Why it is proposed; empty where the group says it.</param>
/// <param name="Count">How many things it is: takes, patterns, clips.</param>
/// <param name="Goes">Whether it goes, or is done.</param>
/// <param name="MayTurn">Whether a person may say otherwise.</param>
public sealed record StrikeLine(string Key, StrikeGroup Group, Sequence<ChannelId> Channels, string Words, string Why, int Count, bool Goes, bool MayTurn);

/// <summary>The lines of a strike, in the order in which they are read.</summary>
public enum StrikeGroup
{
    /// <summary>Channels that are takes of another.</summary>
    Takes,

    /// <summary>Channels that hold the print of another.</summary>
    Prints,

    /// <summary>Recorded sound: on channels here, or clips that a project from elsewhere had.</summary>
    Sounds,
    Notes,

    /// <summary>Curves over sections, and automation that a project from elsewhere had.</summary>
    Curves,

    /// <summary>Returns that nothing is sent to.</summary>
    Returns,

    /// <summary>Inserts that stand twice.</summary>
    Inserts,

    /// <summary>Instruments that rested while their print sounded, and come back.</summary>
    Woken,
    Levels,
    Names,

    /// <summary>Worth a look: nothing is done about it.</summary>
    Odd,
}
