using HomeStage.Core.Templates;

namespace HomeStage.Formats.DawProject;

/// <summary>A project of ours that was worked on elsewhere.</summary>
/// <param name="Own">The document of which it was made, as it was then.</param>
/// <param name="Was">The project as we wrote it, and <paramref name="Now"/> as it is now: both as a project says them, with the ids of the document of which it was made.</param>
public sealed record ReturnedProject(ProjectOrigin Origin, Template Own, Template Was, Template Now);
