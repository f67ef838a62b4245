namespace HomeStage.Core.Roles;

/// <summary>The roles, each with its family.</summary>
public static class RoleNames
{
    public const string Unknown = "unknown";

    private static readonly (string Role, string Family)[] Table =
    [
        ("kick", "drums"), ("snare", "drums"), ("clap", "drums"), ("hat", "drums"), ("tom", "drums"), ("cymbal", "drums"),
        ("overhead", "drums"), ("room", "drums"), ("percussion", "percussion"), ("drum-bus", "drums"),
        ("sub", "bass"), ("bass", "bass"), ("bass-bus", "bass"),
        ("acoustic-guitar", "guitars"), ("electric-guitar", "guitars"), ("guitar-bus", "guitars"),
        ("piano", "instruments"), ("keys", "instruments"), ("organ", "instruments"), ("synth-lead", "instruments"),
        ("synth-pad", "instruments"), ("synth-chord", "instruments"), ("instrument-bus", "instruments"), ("strings", "instruments"), ("winds", "instruments"),
        ("lead-voice", "voices"), ("double-voice", "voices"), ("harmony-voice", "voices"), ("take", "voices"), ("voice-bus", "voices"),
        ("effect", "effects"), ("reverb", "returns"), ("delay", "returns"), ("return-bus", "returns"),
        ("mix-bus", "sums"), ("main", "sums"), ("reference", "direct"), ("count-in", "direct"), ("trigger", "triggers"), (Unknown, ""),
    ];

    /// <summary>Every role id, in the order of a mixing desk: drums first, sums last.</summary>
    public static readonly Sequence<string> All = Table.Select(t => t.Role).ToSequence();

    /// <summary>Every family, in the same order.</summary>
    public static readonly Sequence<string> Families = Table.Select(t => t.Family).Where(f => f.Length > 0).Distinct().ToSequence();

    /// <exception cref="ArgumentException">Not a role.</exception>
    public static string FamilyOf(string role) => Table.FirstOrDefault(t => t.Role == role).Family
        ?? throw new ArgumentException($"'{role}' is not a role.", nameof(role));
}
