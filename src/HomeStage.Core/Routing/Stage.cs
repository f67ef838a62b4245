namespace HomeStage.Core.Routing;

/// <summary>A step of a channel at which signals can meet or be taken.</summary>
public enum StageKind
{
    /// <summary>What plays an instrument or uploaded sound; its outputs feed the inputs of its own channel and of its splits.</summary>
    Player,

    /// <summary>Where everything that feeds the channel is summed.</summary>
    Input,

    /// <summary>One processor of the strip.</summary>
    Insert,

    /// <summary>After strip and mute, before the fader.</summary>
    Pre,

    /// <summary>After fader and pan.</summary>
    Post,
}

/// <summary>One node of the signal graph.</summary>
/// <param name="Channel">Index of its channel in the template.</param>
/// <param name="Insert">Index in the strip, for insert stages; −1 otherwise.</param>
public readonly record struct Stage(int Channel, StageKind Kind, int Insert = -1);

/// <summary>How two stages are joined.</summary>
public enum LinkKind
{
    /// <summary>From stage to stage of one channel.</summary>
    Within,

    /// <summary>From an instrument's player to the channel that takes one of its outputs.</summary>
    InstrumentOutput,

    Destination,

    Send,

    /// <summary>Into the channel that records it.</summary>
    Internal,

    /// <summary>Into the key input of an insert.</summary>
    Key,
}

/// <summary>One edge of the signal graph.</summary>
/// <param name="From">Index of a stage.</param>
/// <param name="To">Index of a stage.</param>
/// <param name="Level">What the copy is turned by on the way; 0 dB but for sends and feeds.</param>
/// <param name="Output">Number of the instrument's output, for instrument outputs; 0 otherwise.</param>
public readonly record struct Link(int From, int To, LinkKind Kind, Decibels Level, int Output = 0);
