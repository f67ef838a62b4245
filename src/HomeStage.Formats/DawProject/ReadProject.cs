using HomeStage.Core.Striking;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.DawProject;

/// <summary>What came of a project file.</summary>
/// <param name="Template">Keeps every rule.</param>
/// <param name="IsOwn">Whether it is our own document, which lay in the file and whose project nobody has altered.</param>
/// <param name="Sounds">Files of sounds that the template uses and that lay in the file whole, with their titles.</param>
/// <param name="Held">What tracks held that was not taken in, by channel; empty where it is our own document.</param>
/// <param name="LeftOut">What was not taken in, in words.</param>
public sealed record ReadProject(Template Template, bool IsOwn, IReadOnlyList<(string Title, byte[] File)> Sounds, IReadOnlyList<HeldElsewhere> Held, IReadOnlyList<string> LeftOut)
{
    /// <summary>Files of device states that the template holds and that lay in the file, with their names.</summary>
    public IReadOnlyList<(string FileName, byte[] File)> States { get; init; } = [];
}
