using HomeStage.Core.Editing;

namespace HomeStage.Core.Inheriting;

/// <summary>A change of the template that another is based on, as it is offered to that other one.</summary>
/// <param name="Number">Which of all the changes it is, from 0.</param>
/// <param name="Words">A sentence without a full stop, of the names and values of the template that it is offered to.</param>
/// <param name="Why">Where it cannot be taken: what is in the way. Null otherwise.</param>
public sealed record InheritedChange(int Number, Edit Edit, string Words, Standing Standing, Refusal? Why);

/// <summary>How a template stands towards a change of the one that it is based on.</summary>
public enum Standing
{
    /// <summary>Nothing was set otherwise there.</summary>
    Open,

    /// <summary>It has set something of its own there, or it is a name or a colour, which are always its own.</summary>
    Own,

    /// <summary>It cannot be done there.</summary>
    Impossible,
}
