namespace HomeStage.Server.Data;

/// <summary>What the store says to a change.</summary>
public abstract record StoreAnswer
{
    public sealed record Stored(OpenDocument Before, OpenDocument After) : StoreAnswer;

    public sealed record NotFound : StoreAnswer;

    /// <summary>The change was made on a revision that is no longer the newest.</summary>
    public sealed record Stale(int Newest) : StoreAnswer;

    public sealed record Refused(Refusal Why, int EditIndex) : StoreAnswer;

    /// <summary>Another template is called that.</summary>
    public sealed record NameTaken(string Name) : StoreAnswer;

    public sealed record NothingToDo(string Sentence) : StoreAnswer;
}
