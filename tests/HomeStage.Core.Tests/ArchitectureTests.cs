using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests;

/// <summary>Arrows run one way: the core knows nothing but the base library.</summary>
public class ArchitectureTests
{
    [Fact]
    public void Core_ReferencesNothingButTheBaseLibraryAndTensors()
    {
        var names = typeof(Template).Assembly.GetReferencedAssemblies().Select(a => a.Name!);

        Assert.All(names, name => Assert.StartsWith("System.", name, StringComparison.Ordinal));
        Assert.DoesNotContain("System.Text.Json", names);
        Assert.DoesNotContain(names, name => name.StartsWith("System.Net", StringComparison.Ordinal) || name.StartsWith("System.IO", StringComparison.Ordinal));
    }
}
