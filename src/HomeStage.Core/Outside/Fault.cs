namespace HomeStage.Core.Outside;

/// <summary>What can be wrong with what came back, the gravest first.</summary>
public enum FaultKind
{
    /// <summary>Nothing of it is heard where it belongs.</summary>
    Missing,

    /// <summary>Another source is heard in its place.</summary>
    Swapped,

    /// <summary>It is heard where it does not belong, beside where it does.</summary>
    Doubled,

    /// <summary>It is there twice, one shortly after the other.</summary>
    Twice,

    /// <summary>The recording is upside down.</summary>
    UpsideDown,

    /// <summary>One side alone is upside down.</summary>
    SideUpsideDown,

    /// <summary>Left and right have changed places.</summary>
    SidesSwapped,

    /// <summary>It stands further to one side.</summary>
    Balance,

    /// <summary>It comes too late, or too soon.</summary>
    Late,

    /// <summary>Too loud or too soft against all others.</summary>
    Level,

    /// <summary>The sound itself is on a return, beside its effect.</summary>
    Dry,

    /// <summary>It sounds otherwise, though all else sounds as it does here.</summary>
    Otherwise,

    /// <summary>A ducker goes down too far, or not far enough, or not at all.</summary>
    Depth,

    /// <summary>A ducker is back too soon, or too late.</summary>
    Recovery,
}

/// <summary>One thing that is wrong with one source on one channel.</summary>
/// <param name="Amount">In decibels for a level, in milliseconds for a time, in percent for a share; 0 where there is none.</param>
/// <param name="Instead">What is heard in its place.</param>
public sealed record Fault(FaultKind Kind, double Amount = 0, string? Instead = null);
