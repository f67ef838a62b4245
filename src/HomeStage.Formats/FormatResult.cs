namespace HomeStage.Formats;

/// <summary>What came of reading a file: something, or a sentence that says what is wrong with it.</summary>
public abstract record FormatResult<T>
{
    public sealed record Read(T Value) : FormatResult<T>;

    /// <param name="Code">Stable, for programs.</param>
    /// <param name="Sentence">For people.</param>
    public sealed record Refused(string Code, string Sentence) : FormatResult<T>;
}
