namespace HomeStage.Mutants;

/// <summary>A folder of the core, and the folders of tests that answer for it.</summary>
/// <param name="Tests">Below HomeStage.Core.Tests.</param>
internal sealed record FolderUnderTest(string Name, params string[] Tests)
{
    public static readonly IReadOnlyList<FolderUnderTest> All =
    [
        new("Routing", "Routing", "Compiling"),
        new("Compiling", "Compiling"),
        new("Outputs", "Outputs"),
        new("Levels", "Levels"),
        new("Strips", "Strips"),
        new("Templates", "Templates", "Editing", "Timing", "Making", "Shelf", "Defaults", "Devices", "Inheriting"),
        new("Editing", "Editing", "Templates", "Making", "Automation", "Notes", "Outputs"),
    ];
}
