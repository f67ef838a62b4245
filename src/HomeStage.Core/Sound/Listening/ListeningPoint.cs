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
}
