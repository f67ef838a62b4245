namespace HomeStage.Formats.DawProject;

/// <summary>Something that a project file does not say, and that is done by hand in the workstation.</summary>
/// <param name="Channel">Where it is done; null for the whole, or for several channels alike.</param>
/// <param name="Words">What is to be done, with its numbers; a sentence without a full stop.</param>
public sealed record Handwork(HandworkKind Kind, ChannelId? Channel, string Words)
{
    /// <summary>What has to be heard of it when it is done; null where the line check from outside cannot tell.</summary>
    public WorkProof? Proof { get; init; }
}

/// <summary>What sort of work it is, in the order in which it is done.</summary>
public enum HandworkKind
{
    /// <summary>An instrument or an effect is put in where a stand-in played.</summary>
    PutIn,

    /// <summary>An input, an output or a split is patched.</summary>
    Patch,

    /// <summary>A key, a layer or a print is connected.</summary>
    Connect,

    /// <summary>A value is set that the format has no word for.</summary>
    Set,

    /// <summary>A curve or a control is drawn anew.</summary>
    Draw,
}
