namespace HomeStage.Core.Sound.Listening;

/// <summary>Where on a channel one listens.</summary>
public enum ListeningPoint
{
    /// <summary>What leaves it; on a return, only what comes out of it.</summary>
    AfterFader,

    /// <summary>After the strip and the mute, before fader and pan.</summary>
    BeforeFader,

    /// <summary>The sum that feeds it, before its strip; on a return, only what is sent there.</summary>
    Feeding,

    /// <summary>The key that a detector of its strip hears, before the key's cuts.</summary>
    Key,

    /// <summary>What a detector of its strip goes by: the key, or without one what goes into it, between the key's cuts.</summary>
    Detector,

    /// <summary>What goes into an insert of its strip.</summary>
    BeforeInsert,

    /// <summary>What comes out of an insert of its strip.</summary>
    AfterInsert,

    /// <summary>What an insert takes off or adds: what goes in, as late as what comes out, less what comes out.</summary>
    TakenOff,
}

/// <summary>What is common to points.</summary>
public static class ListeningPoints
{
    /// <summary>Whether it lies at an insert, so that it needs one.</summary>
    public static bool IsWithin(this ListeningPoint point) =>
        point is ListeningPoint.Key or ListeningPoint.Detector or ListeningPoint.BeforeInsert or ListeningPoint.AfterInsert or ListeningPoint.TakenOff;
}
