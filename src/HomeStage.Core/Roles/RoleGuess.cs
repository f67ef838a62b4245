namespace HomeStage.Core.Roles;

/// <summary>What a channel or piece is for, as far as its name tells.</summary>
/// <param name="Role">One of <see cref="RoleNames.All"/>.</param>
/// <param name="Family">The family of the role: "drums", "voices"; empty for unknown.</param>
/// <param name="Confidence">In [0, 1]. Under 0.5 a person should be asked.</param>
/// <param name="Side">"left" or "right" where the name says one of a pair; null otherwise.</param>
/// <param name="Number">The number that the name ends in or carries; null for none.</param>
public sealed record RoleGuess(string Role, string Family, double Confidence, string? Side, int? Number);
