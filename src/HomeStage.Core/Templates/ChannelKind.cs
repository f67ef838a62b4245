namespace HomeStage.Core.Templates;

/// <summary>What a channel is made for, which decides its source and where it may go.</summary>
public enum ChannelKind
{
    /// <summary>Takes one or two hardware inputs.</summary>
    Audio,

    /// <summary>Plays a virtual instrument; a multi-output one sounds its first output here.</summary>
    Instrument,

    /// <summary>Takes one output of a multi-output instrument.</summary>
    Split,

    /// <summary>Sums what is sent to its input.</summary>
    Bus,

    /// <summary>A bus that effects live on, fed by sends.</summary>
    Return,

    /// <summary>Never heard; feeds sidechains only.</summary>
    Trigger,

    /// <summary>Goes around the main to an output: references, count-in.</summary>
    Direct,

    /// <summary>Plays other instruments; makes no sound itself.</summary>
    Notes,

    /// <summary>The last sum before the output; one a template.</summary>
    Main,
}
