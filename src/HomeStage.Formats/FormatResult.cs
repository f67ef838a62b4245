namespace HomeStage.Formats;

/// <summary>What came of reading a file: something, or a sentence that says what is wrong with it.</summary>
public abstract record FormatResult<T>
{
    /// <summary>What is made of either.</summary>
    public TResult Match<TResult>(Func<T, TResult> read, Func<Refused, TResult> refused) => this switch
    {
        Read found => read(found.Value),
        Refused wrong => refused(wrong),
        _ => throw new InvalidOperationException("A file is read or refused."),
    };

    /// <summary>Goes on with what was read; what was refused stays refused.</summary>
    public FormatResult<TNext> Then<TNext>(Func<T, FormatResult<TNext>> next) => Match(next, wrong => new FormatResult<TNext>.Refused(wrong.Code, wrong.Sentence));

    /// <summary>Makes something of what was read; what was refused stays refused.</summary>
    public FormatResult<TNext> As<TNext>(Func<T, TNext> make) => Then(value => (FormatResult<TNext>)new FormatResult<TNext>.Read(make(value)));

    public sealed record Read(T Value) : FormatResult<T>;

    /// <param name="Code">Stable, for programs.</param>
    /// <param name="Sentence">For people.</param>
    public sealed record Refused(string Code, string Sentence) : FormatResult<T>;
}
