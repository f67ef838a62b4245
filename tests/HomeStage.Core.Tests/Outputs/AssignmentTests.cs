using FsCheck.Xunit;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>The best pairing against every pairing there is.</summary>
public class AssignmentTests
{
    private const int MostRows = 8;

    [Property(MaxTest = 150)]
    public void Best_IsWorthAsMuchAsTheBestOfAllPairings(int seed)
    {
        var chance = new Random(seed);
        var (rows, columns) = (chance.Next(MostRows + 1), chance.Next(MostRows + 1));
        var worth = new long[rows, columns];
        for (var r = 0; r < rows; r++)
            for (var c = 0; c < columns; c++)
                worth[r, c] = chance.Next(3) == 0 ? 0 : chance.Next(1, 12);

        var best = Assignment.Best(rows, columns, (r, c) => worth[r, c]);

        var used = best.Where(c => c >= 0).ToList();
        Assert.Equal(used.Count, used.Distinct().Count());
        Assert.All(Enumerable.Range(0, rows).Where(r => best[r] >= 0), r => Assert.True(worth[r, best[r]] > 0));
        Assert.Equal(Exhausted(worth, 0, 0), Enumerable.Range(0, rows).Where(r => best[r] >= 0).Sum(r => worth[r, best[r]]));
    }

    /// <summary>The criteria one after another, not as one number.</summary>
    [Property(MaxTest = 150)]
    public void Match_OfAnyTwoKits_HasTheMostRoles_ThenNames_ThenFamilies_ThenPairs_ThenTheLeastDistance(int seed)
    {
        var chance = new Random(seed);
        var (old, next) = (Lines(chance), Lines(chance));

        var match = KitMatch.Of(old, next);

        var pairs = match.Select((m, n) => (m, n)).Where(x => x.m is not null).Select(x => (Old: x.m!.Value.Line, New: next[x.n])).ToList();
        Assert.Equal(pairs.Count, pairs.Select(p => p.Old.Index).Distinct().Count());
        var best = Pairings(old, next, 0, []).Select(Judged).Max();
        Assert.Equal(best, Judged(pairs));
    }

    private static long Exhausted(long[,] worth, int row, int taken) => row == worth.GetLength(0) ? 0
        : Enumerable.Range(0, worth.GetLength(1)).Where(c => (taken >> c & 1) == 0 && worth[row, c] > 0)
            .Select(c => worth[row, c] + Exhausted(worth, row + 1, taken | 1 << c)).Append(Exhausted(worth, row + 1, taken)).Max();

    private static IReadOnlyList<KitLine> Lines(Random chance)
    {
        string[] names = ["Kick", "Kik 2", "Snare", "Clap", "Tom 1", "Tom 2", "Hat", "Ride", "Crash", "Bell", "Blip", "Zap"];
        string[] families = ["drums/kick", "drums/snare", "drums/toms", "drums/toms/rack", "drums/cymbals", "percussion/metal", ""];
        chance.Shuffle(names);
        return new Kit([.. names.Take(chance.Next(1, 6)).Select((name, i) => Piece.Pad(name, i, families[chance.Next(families.Length)], 1, DrumSound.Clap))], [new("One", ChannelFormat.Stereo)]).Lines;
    }

    private static IEnumerable<List<(KitLine Old, KitLine New)>> Pairings(IReadOnlyList<KitLine> old, IReadOnlyList<KitLine> next, int at, List<(KitLine Old, KitLine New)> soFar)
    {
        if (at == next.Count)
            return [soFar];
        return old.Where(o => soFar.TrueForAll(p => p.Old != o) && MayPair(o, next[at])).Select(o => Pairings(old, next, at + 1, [.. soFar, (o, next[at])]))
            .Append(Pairings(old, next, at + 1, soFar)).SelectMany(p => p);
    }

    private static bool MayPair(KitLine old, KitLine next) => SameRole(old, next) || SameName(old, next) || old.Family == next.Family || Near(old.Family, next.Family);

    private static (int, int, int, int, int, int) Judged(List<(KitLine Old, KitLine New)> pairs) => (
        pairs.Count(p => SameRole(p.Old, p.New)), pairs.Count(p => SameName(p.Old, p.New)), pairs.Count(p => p.Old.Family == p.New.Family), pairs.Count,
        -pairs.Sum(p => FamilyTree.Distance(p.Old.Family, p.New.Family)), -pairs.Sum(p => Math.Abs(p.Old.Index - p.New.Index)));

    // By hand, for the names above; blips and zaps say nothing, and a bell is percussion like many others.
    private static bool SameRole(KitLine old, KitLine next) => RoleOf(old.Name) is { } role && role == RoleOf(next.Name);

    private static string? RoleOf(string name) => name switch
    {
        "Kick" or "Kik 2" => "kick",
        "Snare" => "snare",
        "Clap" => "clap",
        "Tom 1" or "Tom 2" => "tom",
        "Hat" => "hat",
        "Ride" or "Crash" => "cymbal",
        _ => null,
    };

    private static bool SameName(KitLine old, KitLine next) => old.Name == next.Name;

    private static bool Near(string one, string other) => (one, other) is ("drums/toms", "drums/toms/rack") or ("drums/toms/rack", "drums/toms");
}
