using System.Globalization;
using HomeStage.Mutants;

// Puts small faults into the core, one at a time, and looks whether the tests of its folder see them.
//   dotnet HomeStage.Mutants.dll ROOT [COUNT [FOLDER …]]
// The last line is "N folders passed, N failed"; a folder passes where at least 85 % of its sample were seen.
var root = args[0];
var count = args.Length > 1 ? int.Parse(args[1], CultureInfo.InvariantCulture) : 100;
var folders = FolderUnderTest.All.Where(f => args.Length < 3 || args[2..].Contains(f.Name)).ToList();
var failed = 0;
foreach (var folder in folders)
{
    var result = FolderRun.Of(root, folder, count);
    Console.WriteLine(result.Sentence);
    foreach (var survivor in result.Survivors)
        Console.WriteLine($"  unseen: {survivor}");
    failed += result.Passes ? 0 : 1;
}

Console.WriteLine($"{folders.Count - failed} folders passed, {failed} failed");
return failed == 0 ? 0 : 1;
