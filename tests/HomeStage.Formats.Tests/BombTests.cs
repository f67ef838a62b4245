using System.Diagnostics;
using FsCheck.Xunit;
using HomeStage.Core.Kits;
using HomeStage.Formats.Csv;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Midi;
using HomeStage.Formats.MidiNames;
using HomeStage.Formats.Sfz;
using HomeStage.Formats.Tests.Sfz;
using HomeStage.Formats.Wave;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests;

/// <summary>No file under its size limit takes more than two seconds, nor more memory than 64 MB and four times its size.</summary>
[Collection(nameof(BombTests))]
public class BombTests
{
    private const long LeastMemory = 64L * 1024 * 1024;
    private const int TimesItsSize = 4;
    private static readonly TimeSpan Longest = Runs.Within(2);

    // Each reader refuses or reads; what it says is for its own tests.
    private static readonly Dictionary<string, Action<byte[]>> Readers = new(StringComparer.Ordinal)
    {
        ["sfz"] = bytes => Assert.NotNull(SfzReader.Read(bytes, new PathTray())),
        ["midi"] = bytes => Assert.NotNull(MidiReader.Read(bytes)),
        ["names"] = bytes => Assert.NotNull(MidiNameDocument.Read(bytes)),
        ["table"] = bytes => Assert.NotNull(KitCsv.Read(bytes, StandInKits.Tidewater)),
        ["document"] = bytes => Assert.NotNull(TemplateDocument.Read(bytes)),
        ["wave"] = bytes => Assert.NotNull(WaveReader.Read(bytes)),
    };

    private static readonly Dictionary<string, Func<byte[]>> Named = new(StringComparer.Ordinal)
    {
        ["sfz: a global of 1,000 opcodes before 20,000 regions"] = () => Bombs.LongGlobal(1000, 20_000),
        ["sfz: a global of 3,000 opcodes before 20,000 regions"] = () => Bombs.LongGlobal(3000, 20_000),
        ["sfz: 999 defines and a megabyte of dollars"] = () => Bombs.DefinesAndDollars(999, 1024 * 1024),
        ["sfz: includes that fan out"] = () => Bombs.IncludesThatFanOut(10, 9),
        ["sfz: 130,000 includes of nothing"] = () => Bombs.IncludesOfNothing(130_000),
        ["sfz: a long define named 500,000 times"] = () => Bombs.LongDefineNamedOften(4000, 500_000),
        ["sfz: defines of defines"] = () => Bombs.DefinesOfDefines(12),
        ["sfz: 20,000 regions on one key"] = () => Bombs.RegionsOnOneKey(20_000),
        ["sfz: comments that are never closed"] = () => Bombs.OpenComments(500_000),
        ["sfz: a ZIP of zeros"] = () => Bombs.ZerosInAZip(60),
        ["sfz: a ZIP of many files"] = () => Bombs.ManyFilesInAZip(60_000),
        ["midi: 600,000 note-ons on one key"] = () => Bombs.NotesOfOneKey(600_000),
        ["midi: a million note-ons on one key"] = () => Bombs.NotesOfOneKey(1_300_000),
        ["midi: note-ons and then note-offs"] = () => Bombs.NotesThenOffs(600_000),
        ["midi: a long text of a few bytes"] = Bombs.LongTextOfAFewBytes,
        ["midi: long deltas"] = () => Bombs.LongDeltas(5000),
        ["midi: 65,535 tracks"] = () => Bombs.ManyTracks(65_535),
        ["document: a million channels"] = () => Bombs.ManyChannels(1_000_000),
        ["document: deep brackets"] = () => Bombs.DeepBrackets(1_000_000),
        ["document: many tokens"] = () => Bombs.ManyTokens(30_000_000),
        ["document: many old kits"] = () => Bombs.OldKits(19_000),
        ["wave: a chunk without end"] = Bombs.EndlessChunk,
        ["wave: chunks of nothing"] = () => Bombs.ChunksOfNothing(4_000_000),
        ["names: many notes"] = () => Bombs.LongNames(50_000),
        ["names: entities in entities"] = Bombs.EntitiesInEntities,
        ["names: many lists"] = () => Bombs.ManyLists(250_000),
        ["table: a wide one"] = () => Bombs.WideTable(2000, 100),
        ["table: quotes that are never closed"] = () => Bombs.OpenQuotes(60_000),
    };

    public static TheoryData<string> Names => [.. Named.Keys];

    [Theory]
    [MemberData(nameof(Names))]
    public void Read_AFileThatAsksForMuch_TakesLittle(string name) => Taken(name.Split(':')[0], Named[name]());

    [Property(MaxTest = 60)]
    public void Read_FilesThatAskForMuchByChance_TakesLittle(int seed)
    {
        var chance = new Random(seed);
        var (reader, bomb) = chance.Next(10) switch
        {
            0 => ("sfz", Bombs.LongGlobal(chance.Next(1, 5000), chance.Next(1, 20_000))),
            1 => ("sfz", Bombs.DefinesAndDollars(chance.Next(1, 1100), chance.Next(1, 1_000_000))),
            2 => ("sfz", Bombs.IncludesThatFanOut(chance.Next(1, 30), chance.Next(1, 12))),
            3 => ("sfz", Bombs.LongDefineNamedOften(chance.Next(1, 5000), chance.Next(1, 300_000))),
            4 => ("sfz", Bombs.DefinesOfDefines(chance.Next(1, 20))),
            5 => ("sfz", Bombs.ZerosInAZip(chance.Next(1, 30))),
            6 => ("midi", Bombs.NotesThenOffs(chance.Next(1, 500_000))),
            7 => ("midi", Bombs.ManyTracks(chance.Next(1, 60_000))),
            8 => ("document", Bombs.ManyChannels(chance.Next(1, 60_000))),
            _ => ("names", Bombs.LongNames(chance.Next(1, 40_000))),
        };
        Taken(reader, bomb);
    }

    [Fact]
    public async Task Read_ThatNobodyWaitsForAnyMore_Ends()
    {
        using var leaving = new CancellationTokenSource();
        await leaving.CancelAsync();

        Assert.Throws<OperationCanceledException>(() => SfzReader.Read(Bombs.LongGlobal(1000, 20_000), new PathTray(), leaving.Token));
    }

    /// <summary>Reads, and looks every millisecond what memory is held meanwhile: where it seems too much, without what only waits to be collected.</summary>
    private static void Taken(string reader, byte[] bomb)
    {
        GC.Collect();
        var rest = GC.GetTotalMemory(forceFullCollection: true);
        var bound = LeastMemory + TimesItsSize * (long)bomb.Length;
        var most = 0L;
        var isOver = false;
        var watching = new Thread(() =>
        {
            while (!Volatile.Read(ref isOver))
            {
                if (GC.GetTotalMemory(false) - rest is var seen && seen >= bound)
                    seen = GC.GetTotalMemory(forceFullCollection: true) - rest;
                most = Math.Max(most, seen);
                Thread.Sleep(1);
            }
        });
        watching.Start();
        var watch = Stopwatch.StartNew();
        try
        {
            Readers[reader](bomb);
        }
        finally
        {
            Volatile.Write(ref isOver, true);
            watching.Join();
        }

        Assert.True(watch.Elapsed < Longest, $"It took {watch.Elapsed.TotalSeconds:0.0} s for {bomb.Length:N0} bytes.");
        Assert.True(most < bound, $"It took {most / 1024 / 1024} MB for {bomb.Length:N0} bytes.");
    }
}

/// <summary>Memory is the whole process's, so nothing else may run beside.</summary>
[CollectionDefinition(nameof(BombTests), DisableParallelization = true)]
public sealed class BombCollection;
