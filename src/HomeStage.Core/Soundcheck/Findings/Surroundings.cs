using HomeStage.Core.Compiling;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Findings;

/// <summary>What lies around a template, as far as the soundcheck needs to know.</summary>
/// <param name="AbsentSounds">Contents of uploaded sounds that cannot be heard here, and why; all others can.</param>
public sealed record Surroundings(IReadOnlyDictionary<string, SoundAbsence> AbsentSounds)
{
    /// <summary>The studio that is on; null for none.</summary>
    public Studio? Studio { get; init; }

    /// <summary>The song that the template was struck from, as it was then; null where there is none, or nobody knows of it.</summary>
    public Template? StruckFrom { get; init; }

    /// <summary>The template as it stands in the studio, where it is compiled already; null for a rule that needs it to see to.</summary>
    public CompiledTemplate? Compiled { get; init; }

    /// <summary>Everything is there.</summary>
    public static readonly Surroundings Whole = new(new Dictionary<string, SoundAbsence>(StringComparer.Ordinal));

    /// <summary>The template in an act, with the figures of the studio.</summary>
    public CompiledAct In(Template template, string act) => (Compiled ?? new CompiledTemplate(InStudio.Of(template, Studio))).In(act);

    /// <summary>Whether the same is missing, for the same reasons.</summary>
    public bool IsLike(Surroundings other) =>
        ReferenceEquals(StruckFrom, other.StruckFrom) && (ReferenceEquals(Studio, other.Studio) || (Studio is not null && Studio.Equals(other.Studio)))
        && AbsentSounds.Count == other.AbsentSounds.Count
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
