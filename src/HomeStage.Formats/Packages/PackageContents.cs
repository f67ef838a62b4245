using HomeStage.Core.Sound;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Formats.CallSheets;
using HomeStage.Formats.DawProject;

namespace HomeStage.Formats.Packages;

/// <summary>What a song's package is made of.</summary>
/// <param name="Parts">In any order; they are written in their own.</param>
/// <param name="Sheet">Its call sheet.</param>
/// <param name="Around">What lies around it, for the soundcheck.</param>
public sealed record PackageContents(Template Song, IReadOnlyCollection<PackagePart> Parts, CallSheet Sheet, Surroundings Around)
{
    /// <summary>Of what it is made, by which its project is known when it comes back; null where nobody shall know it.</summary>
    public ProjectOrigin? Origin { get; init; }

    /// <summary>The render of the main; needed for that part alone.</summary>
    public RenderedSound? Main { get; init; }

    /// <summary>Rendered to their ends; needed for that part alone.</summary>
    public StemFiles? Stems { get; init; }

    /// <summary>Whether the MIDI file holds what is counted, as the render does.</summary>
    public bool CountedIn { get; init; }

    /// <summary>The file of a sound that lies in the song, or of a device's state, by its content; null for one that is not kept.</summary>
    public Func<string, byte[]?> Laid { get; init; } = _ => null;
}
