using System.Globalization;
using System.Reflection;
using System.Text.RegularExpressions;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace HomeStage.Mutants;

/// <summary>The core, built once with every fault of one folder in it, each behind its switch.</summary>
internal static partial class FaultyCore
{
    private const int MostRounds = 12;
    private static readonly CSharpParseOptions Options = new(LanguageVersion.Preview);

    /// <param name="version">That of the core that the tests were built against.</param>
    private static string SwitchSource(Version version) => $$"""
        [assembly: System.Reflection.AssemblyVersion("{{version}}")]
        internal static class MutantSwitch
        {
            private static readonly int Active = int.Parse(System.Environment.GetEnvironmentVariable("HOME_STAGE_MUTANT") ?? "0", System.Globalization.CultureInfo.InvariantCulture);

            public static bool On(int id) => Active == id;
        }
        """;

    /// <param name="library">Where the built core is written.</param>
    /// <returns>The faults that are in it.</returns>
    public static IReadOnlyList<Mutant> Build(string root, FolderUnderTest folder, string library)
    {
        var core = Path.Combine(root, "src", "HomeStage.Core");
        var version = AssemblyName.GetAssemblyName(Path.Combine(TestBin.Of(root), "HomeStage.Core.dll")).Version!;
        var left = new HashSet<int>();
        for (var round = 0; round < MostRounds; round++)
        {
            var mutants = new List<Mutant>();
            var number = 0;
            var trees = Sources(core).Select(file => Tree(core, file, folder, () => ++number, left, mutants)).Append(Parsed(SwitchSource(version), "MutantSwitch.cs")).ToList();
            using var written = File.Create(library);
            var faulty = CSharpCompilation.Create("HomeStage.Core", trees, References(root), new(OutputKind.DynamicallyLinkedLibrary, optimizationLevel: OptimizationLevel.Release, nullableContextOptions: NullableContextOptions.Disable));
            _ = CSharpGeneratorDriver.Create(Generators(), parseOptions: Options).RunGeneratorsAndUpdateCompilation(faulty, out var whole, out _);
            var result = whole.Emit(written);
            if (result.Success)
                return mutants;
            left.UnionWith(result.Diagnostics.Where(d => d.Severity == DiagnosticSeverity.Error).SelectMany(Refused));
        }

        throw new InvalidOperationException($"{folder.Name} does not build with its faults.");
    }

    private static IEnumerable<string> Sources(string core) => Directory.EnumerateFiles(core, "*.cs", SearchOption.AllDirectories)
        .Where(f => !f.Contains($"{Path.DirectorySeparatorChar}obj{Path.DirectorySeparatorChar}", StringComparison.Ordinal)
            || f.EndsWith(Path.Combine("Release", "net10.0", "HomeStage.Core.GlobalUsings.g.cs"), StringComparison.Ordinal))
        .Order(StringComparer.Ordinal);

    private static SyntaxTree Tree(string core, string file, FolderUnderTest folder, Func<int> next, IReadOnlySet<int> left, List<Mutant> mutants)
    {
        var tree = Parsed(File.ReadAllText(file), file);
        var name = Path.GetRelativePath(core, file);
        if (!name.StartsWith(folder.Name + Path.DirectorySeparatorChar, StringComparison.Ordinal))
            return tree;
        var inserter = new FaultInserter(name, next, left);
        var faulty = inserter.Visit(tree.GetRoot());
        mutants.AddRange(inserter.Mutants);
        return Parsed(faulty.ToFullString(), file);
    }

    private static SyntaxTree Parsed(string text, string path) => CSharpSyntaxTree.ParseText(text, Options, path);

    /// <summary>What the platform writes of regular expressions when the core is built.</summary>
    private static IEnumerable<ISourceGenerator> Generators()
    {
        var platform = Path.GetDirectoryName(typeof(object).Assembly.Location)!;
        var packs = Path.GetFullPath(Path.Combine(platform, "..", "..", "..", "packs", "Microsoft.NETCore.App.Ref"));
        var library = Directory.EnumerateFiles(packs, "System.Text.RegularExpressions.Generator.dll", SearchOption.AllDirectories).Order(StringComparer.Ordinal).Last();
        var generator = Assembly.LoadFrom(library).GetType("System.Text.RegularExpressions.Generator.RegexGenerator", throwOnError: true)!;
        return [((IIncrementalGenerator)Activator.CreateInstance(generator)!).AsSourceGenerator()];
    }

    private static IEnumerable<MetadataReference> References(string root) =>
        ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!).Split(Path.PathSeparator).Where(p => !Path.GetFileName(p).StartsWith("HomeStage.", StringComparison.Ordinal))
            .Append(Path.Combine(TestBin.Of(root), "System.Numerics.Tensors.dll")).Select(p => MetadataReference.CreateFromFile(p));

    /// <summary>The faults at a place that the compiler refuses: the innermost that hold it.</summary>
    private static IEnumerable<int> Refused(Diagnostic error)
    {
        var root = error.Location.SourceTree!.GetRoot();
        for (var node = root.FindNode(error.Location.SourceSpan); node is not null; node = node.Parent)
            if (Asked().Matches(node.ToString()) is { Count: > 0 } asked)
                return asked.Select(m => int.Parse(m.Groups["id"].Value, CultureInfo.InvariantCulture));
        throw new InvalidOperationException(error.ToString());
    }

    [GeneratedRegex(@"MutantSwitch\.On\((?<id>\d+)\)", RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 10_000)]
    private static partial Regex Asked();
}
