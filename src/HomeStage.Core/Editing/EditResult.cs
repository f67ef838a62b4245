using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>What came of applying one edit.</summary>
public abstract record EditResult
{
    /// <param name="Inverse">Applied to <paramref name="Template"/>, gives the template from before.</param>
    public sealed record Applied(Template Template, Edit Inverse) : EditResult;

    public sealed record Refused(Refusal Why) : EditResult;

    public static implicit operator EditResult(Refusal why) => new Refused(why);
}
