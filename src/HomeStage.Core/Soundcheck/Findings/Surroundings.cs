namespace HomeStage.Core.Soundcheck.Findings;

/// <summary>What lies around a template, as far as the soundcheck needs to know.</summary>
/// <param name="AbsentSounds">Contents of uploaded sounds that cannot be heard here, and why; all others can.</param>
public sealed record Surroundings(IReadOnlyDictionary<string, SoundAbsence> AbsentSounds)
{
    /// <summary>Everything is there.</summary>
    public static readonly Surroundings Whole = new(new Dictionary<string, SoundAbsence>(StringComparer.Ordinal));

    /// <summary>Whether the same is missing, for the same reasons.</summary>
    public bool IsLike(Surroundings other) =>
        AbsentSounds.Count == other.AbsentSounds.Count
        && AbsentSounds.All(a => other.AbsentSounds.TryGetValue(a.Key, out var why) && why == a.Value);
}

/// <summary>Why a sound cannot be heard.</summary>
public enum SoundAbsence
{
    /// <summary>It is not on the shelf.</summary>
    Missing,

    /// <summary>Its file is not what was uploaded.</summary>
    Damaged,
}
