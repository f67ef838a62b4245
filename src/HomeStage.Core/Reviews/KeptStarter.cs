using HomeStage.Core.Templates;

namespace HomeStage.Core.Reviews;

/// <summary>A starter that a song has and its template had not, or had otherwise.</summary>
/// <param name="Channel">The name of the channel in the song.</param>
/// <param name="Name">Of the starter.</param>
public sealed record KeptStarter(string Channel, string Name, KeptKind Kind)
{
    /// <param name="was">The channel as the template had it; null for one that it had not.</param>
    internal static IEnumerable<KeptStarter> Between(Channel? was, Channel now)
    {
        foreach (var pattern in now.Patterns)
            if (was?.Patterns.Contains(pattern) != true)
                yield return new(now.Name, pattern.Name, KeptKind.Notes);
        foreach (var starter in now.Starters)
            if (was?.Starters.Contains(starter) != true)
                yield return new(now.Name, starter.Name, starter.Through ? KeptKind.Print : KeptKind.Sound);
    }
}

public enum KeptKind
{
    Notes,
    Sound,
    Print,
}
