namespace HomeStage.Core.Values;

/// <summary>Names one channel within its template, whatever the channel is called.</summary>
public readonly record struct ChannelId
{
    /// <exception cref="ArgumentException">Not a valid <see cref="Identifier"/>.</exception>
    public ChannelId(string value) => Value = Identifier.Checked(value, nameof(value));

    public string Value { get; }

    public override string ToString() => Value;
}
