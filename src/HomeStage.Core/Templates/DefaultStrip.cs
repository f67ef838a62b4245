namespace HomeStage.Core.Templates;

/// <summary>What every new channel of some sort gets by itself.</summary>
public sealed record DefaultStrip(StripScope For, Strip Strip)
{
    public const int MostInATemplate = 200;
}

/// <summary>Which channels a default strip is for. At least one of the three is said.</summary>
/// <param name="Kind">Null for every kind.</param>
/// <param name="Role">Id of a role; null for every one.</param>
/// <param name="Family">A family of roles; null for every one, and where a role is said.</param>
public sealed record StripScope(ChannelKind? Kind, string? Role = null, string? Family = null)
{
    /// <summary>How much it says: a default that says more goes before one that says less.</summary>
    public int Weight => (Role is null ? 0 : 4) + (Family is null ? 0 : 2) + (Kind is null ? 0 : 1);

    /// <param name="role">What the channel is for.</param>
    /// <param name="family">The role's.</param>
    public bool Covers(ChannelKind kind, string role, string family) =>
        (Kind is null || Kind == kind) && (Role is null || Role == role) && (Family is null || Family == family);
}
