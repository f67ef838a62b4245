namespace HomeStage.Core.Values;

/// <summary>Names one insert within its channel.</summary>
public readonly record struct InsertId
{
    /// <exception cref="ArgumentException">Not a valid <see cref="Identifier"/>.</exception>
    public InsertId(string value) => Value = Identifier.Checked(value, nameof(value));

    public string Value { get; }

    public override string ToString() => Value;
}
