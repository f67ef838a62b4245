namespace HomeStage.Formats.Tests;

/// <summary>Arrows run one way: formats know the core, never the server.</summary>
public class ArchitectureTests
{
    [Fact]
    public void Formats_NeverReferenceTheServerOrItsFramework()
    {
        var names = typeof(FormatResult<>).Assembly.GetReferencedAssemblies().Select(a => a.Name!).ToList();

        Assert.Contains("HomeStage.Core", names);
        Assert.DoesNotContain(names, n => n.StartsWith("HomeStage.Server", StringComparison.Ordinal) || n.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal));
    }
}
