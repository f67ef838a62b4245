namespace HomeStage.Mutants;

/// <summary>Where the tests of the core are built to.</summary>
internal static class TestBin
{
    public static string Of(string root) => Path.Combine(root, "tests", "HomeStage.Core.Tests", "bin", "Release", "net10.0");

    /// <summary>A copy of it, to be given another core.</summary>
    public static void CopyTo(string root, string folder)
    {
        foreach (var file in Directory.EnumerateFiles(Of(root), "*", SearchOption.AllDirectories))
        {
            var to = Path.Combine(folder, Path.GetRelativePath(Of(root), file));
            Directory.CreateDirectory(Path.GetDirectoryName(to)!);
            File.Copy(file, to);
        }
    }
}
