using System.Globalization;
using HomeStage.Mutants;

// Puts small faults into the core, one at a time, and looks whether the tests of its folder see them.
//   dotnet HomeStage.Mutants.dll ROOT [COUNT [PART …]]
// A part is a folder of the core, or the beginning of a file's path: Routing, Editing/PutPattern.
// The last line is "N folders passed, N failed"; a folder passes where at least 85 % of its sample were seen.
var root = args[0];
var count = args.Length > 1 ? int.Parse(args[1], CultureInfo.InvariantCulture) : 100;
var parts = args.Length > 2 ? args[2..] : [.. FolderUnderTest.All.Select(f => f.Name)];
var failed = 0;
foreach (var part in parts)
{
    var result = FolderRun.Of(root, FolderUnderTest.All.Single(f => f.Name == part.Split('/')[0]), part, count);
    Console.WriteLine(result.Sentence);
    foreach (var survivor in result.Survivors)
        Console.WriteLine($"  unseen: {survivor}");
    failed += result.Passes ? 0 : 1;
}

Console.WriteLine($"{parts.Length - failed} folders passed, {failed} failed");
return failed == 0 ? 0 : 1;
