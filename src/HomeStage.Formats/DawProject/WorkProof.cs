namespace HomeStage.Formats.DawProject;

/// <summary>What has to be heard of a piece of handwork when it is done.</summary>
public abstract record WorkProof
{
    /// <summary>A channel gives all that belongs on it, and nothing is wrong with any of it.</summary>
    /// <param name="AsHere">Whether that proves it only where the sound is the one that is heard here.</param>
    public sealed record Whole(ChannelId Channel, bool AsHere) : WorkProof;

    /// <summary>Everything that an instrument or a notes channel plays is heard.</summary>
    public sealed record Plays(ChannelId Player) : WorkProof;

    /// <summary>A ducker gives way to something as it does here.</summary>
    /// <param name="By">The channel that feeds its key, or whose notes restart it; null for whatever hits it.</param>
    public sealed record GivesWay(ChannelId Channel, InsertId Insert, ChannelId? By) : WorkProof;
}
