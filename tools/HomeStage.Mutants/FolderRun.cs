using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;

namespace HomeStage.Mutants;

/// <summary>What came of the faults of one folder.</summary>
internal sealed record FolderRun(string Folder, int All, int Tried, IReadOnlyList<Mutant> Survivors)
{
    private const double LeastSeen = 0.85;
    private const int MostLines = 20;
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(90);

    public bool Passes => Tried > 0 && Tried - Survivors.Count >= LeastSeen * Tried;

    public string Sentence => string.Create(CultureInfo.InvariantCulture, $"{Folder}: {Tried - Survivors.Count} of {Tried} faults seen ({100.0 * (Tried - Survivors.Count) / Tried:0} %), of {All} in all");

    /// <summary>Tries the next faults in an order of their own, from where the last run stopped.</summary>
    public static FolderRun Of(string root, FolderUnderTest folder, string part, int count)
    {
        var bin = Directory.CreateTempSubdirectory("home-stage-mutants-");
        try
        {
            TestBin.CopyTo(root, bin.FullName);
            var mutants = FaultyCore.Build(root, folder, Path.Combine(bin.FullName, "HomeStage.Core.dll")).Where(m => m.Place.StartsWith(part, StringComparison.Ordinal)).ToList();
            if (Sees(bin.FullName, folder, 0, out var said))
                throw new InvalidOperationException($"The tests of {folder.Name} fail without a fault:\n{said}");
            var sample = Sample(root, part, mutants, count);
            var survivors = new ConcurrentBag<Mutant>();
            Parallel.ForEach(sample, new() { MaxDegreeOfParallelism = Math.Max(1, Environment.ProcessorCount) }, mutant =>
            {
                if (!Sees(bin.FullName, folder, mutant.Id, out _))
                    survivors.Add(mutant);
            });
            return new(part, mutants.Count, sample.Count, [.. survivors.OrderBy(m => m.Id)]);
        }
        finally
        {
            bin.Delete(recursive: true);
        }
    }

    private static List<Mutant> Sample(string root, string part, IReadOnlyList<Mutant> mutants, int count)
    {
        var state = Path.Combine(root, ".stamps", $"mutants-{part.Replace('/', '-')}");
        var start = File.Exists(state) && int.TryParse(File.ReadAllText(state), CultureInfo.InvariantCulture, out var last) ? last : 0;
        var order = mutants.ToArray();
        new Random(20261127).Shuffle(order);
        var sample = Enumerable.Range(start, Math.Min(count, order.Length)).Select(i => order[i % order.Length]).ToList();
        Directory.CreateDirectory(Path.GetDirectoryName(state)!);
        File.WriteAllText(state, ((start + sample.Count) % order.Length).ToString(CultureInfo.InvariantCulture));
        return sample;
    }

    /// <param name="said">The first lines that the tests printed.</param>
    /// <returns>Whether a test fails with the fault, or never ends.</returns>
    private static bool Sees(string bin, FolderUnderTest folder, int mutant, out string said)
    {
        var lines = new ConcurrentQueue<string>();
        var start = new ProcessStartInfo("dotnet") { UseShellExecute = false, RedirectStandardOutput = true, RedirectStandardError = true, WorkingDirectory = bin };
        foreach (var argument in (string[])[Path.Combine(bin, "HomeStage.Core.Tests.dll"), "--progress", "off", "--stop-on-fail", "on", .. folder.Tests.SelectMany(t => (string[])["--filter-namespace", $"HomeStage.Core.Tests.{t}*"])])
            start.ArgumentList.Add(argument);
        start.Environment["HOME_STAGE_MUTANT"] = mutant.ToString(CultureInfo.InvariantCulture);
        using var process = Process.Start(start)!;
        process.OutputDataReceived += (_, line) =>
        {
            if (line.Data is { } text && lines.Count < MostLines)
                lines.Enqueue(text);
        };
        process.ErrorDataReceived += (_, _) => { };
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        var ended = process.WaitForExit(Longest);
        if (!ended)
            process.Kill(entireProcessTree: true);
        said = string.Join('\n', lines);
        return !ended || process.ExitCode != 0;
    }
}
