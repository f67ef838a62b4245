namespace HomeStage.Core.Refitting;

/// <summary>How an old song or template is brought onto a plan.</summary>
public sealed record RefitWish
{
    /// <summary>By id of a channel the id of the plan's bus that it shall go to; empty for where it is.</summary>
    public Map<string> Said { get; init; } = Map<string>.Empty;

    /// <summary>Buses take the plan's colours, and what goes into them theirs.</summary>
    public bool Colours { get; init; } = true;

    /// <summary>Which buses take the plan's strips.</summary>
    public RefitStrips Strips { get; init; } = RefitStrips.WhereEmpty;

    public RefitSends Sends { get; init; } = RefitSends.Closed;
}

public enum RefitStrips
{
    None,

    /// <summary>Buses that are made, and those that have no strip of their own.</summary>
    WhereEmpty,

    /// <summary>All; a strip that was there goes.</summary>
    All,
}

public enum RefitSends
{
    None,

    /// <summary>The plan's sends are put in place and are silent: the balance stays as it is.</summary>
    Closed,

    /// <summary>As the plan has them.</summary>
    AsPlanned,
}
