namespace HomeStage.Core.Templates;

/// <summary>A way of working, which says what is on stage.</summary>
/// <param name="Id">A valid <see cref="Identifier"/>, unique in the template.</param>
public sealed record Act(string Id, string Name);

/// <summary>Where a channel stands in an act.</summary>
public enum StageState
{
    /// <summary>Shown and running.</summary>
    OnStage,

    /// <summary>Hidden and running.</summary>
    BehindTheCurtain,

    /// <summary>Hidden and resting: silent, costing nothing, its sends and feeds disconnected.</summary>
    InTheWings,
}
