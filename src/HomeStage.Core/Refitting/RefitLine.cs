namespace HomeStage.Core.Refitting;

/// <summary>Where one channel goes in a refit, and why.</summary>
/// <param name="Channel">Of the old one; of a bus or return that is made, its new id.</param>
/// <param name="To">Id of the plan's sum: the one that it stands for, or that it goes to. Null where it stays where it is.</param>
/// <param name="ToName">As the plan calls it; empty for none.</param>
/// <param name="Why">What it was found by.</param>
/// <param name="From">What it goes to now; empty for a channel that is made.</param>
/// <param name="MayTurn">Whether a person may say another place.</param>
public sealed record RefitLine(ChannelId Channel, string Name, RefitKind Kind, ChannelId? To, string ToName, string Why, string From, bool MayTurn);

/// <summary>What becomes of a channel, in the order in which it is read.</summary>
public enum RefitKind
{
    /// <summary>A bus or return that stands for one of the plan's.</summary>
    StandsFor,

    /// <summary>A bus or return of the plan that is made.</summary>
    Made,

    /// <summary>It goes to another bus.</summary>
    Moves,

    /// <summary>It goes there already, or with the bus that it stands under.</summary>
    Stays,

    /// <summary>The plan has no place for it: it stays where it is.</summary>
    NoPlace,
}
