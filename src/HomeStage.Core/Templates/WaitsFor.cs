namespace HomeStage.Core.Templates;

/// <summary>What an insert waits for before it is of use.</summary>
/// <param name="What">The song's key, a person, or something else.</param>
/// <param name="Note">Who or what, in up to 80 characters.</param>
public sealed record WaitsFor(WaitReason What, string Note = "");

public enum WaitReason
{
    SongKey,
    Person,
    Other,
}
