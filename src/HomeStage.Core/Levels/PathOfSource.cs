using HomeStage.Core.Templates;

namespace HomeStage.Core.Levels;

/// <summary>One source where it has come to, by one chain of processing.</summary>
/// <param name="Source">Which one: an output of a player.</param>
/// <param name="Chain">The processors on its way that do more than turn it, without their ids: where these are the same, amplitudes add.</param>
/// <param name="Left">Amplitude, signed; 1 is 0 LUFS of one lane. A mono signal has this one alone.</param>
/// <param name="Right">0 for a mono signal.</param>
internal readonly record struct PathOfSource((int Player, int Output) Source, Sequence<Insert> Chain, double Left, double Right)
{
    /// <summary>As many chains of one source are told apart at one place; more are taken as one. Otherwise they would double with
    /// every pair of buses that stand side by side.</summary>
    private const int MostChains = 16;

    /// <summary>The stage at which several chains were taken as one, whose powers are added up here; the chain is what came after.</summary>
    public int? MixedAt { get; init; }

    /// <summary>By how much the amplitudes of what was taken as one add to more than its own, at least 1.</summary>
    public double WorstLeft { get; init; } = 1;

    public double WorstRight { get; init; } = 1;

    public PathOfSource Turned(double gain) => this with { Left = gain * Left, Right = gain * Right };

    /// <returns>The paths with those of one source and chain added up, signs and all.</returns>
    public static List<PathOfSource> Summed(IEnumerable<PathOfSource> paths) =>
        [.. paths.GroupBy(p => p.Way).Select(g => g.First() with { Left = g.Sum(p => p.Left), Right = g.Sum(p => p.Right) })];

    /// <summary>What two paths must share for their amplitudes to add.</summary>
    public ((int Player, int Output) Source, Sequence<Insert> Chain, int? MixedAt) Way => (Source, Chain, MixedAt);

    /// <param name="paths">Summed.</param>
    /// <param name="stage">Where they are.</param>
    /// <returns>The paths, those of a source that came by too many chains as one.</returns>
    public static List<PathOfSource> Fewer(List<PathOfSource> paths, int stage) => paths.Count <= MostChains ? paths
        : [.. paths.GroupBy(p => p.Source).SelectMany(g => g.Count() <= MostChains ? g : Enumerable.Repeat(Mixed([.. g], stage), 1))];

    private static PathOfSource Mixed(List<PathOfSource> paths, int stage)
    {
        var (left, right) = (Math.Sqrt(paths.Sum(p => p.Left * p.Left)), Math.Sqrt(paths.Sum(p => p.Right * p.Right)));
        return new(paths[0].Source, [], left, right)
        {
            MixedAt = stage,
            WorstLeft = left > 0 ? paths.Sum(p => Math.Abs(p.Left) * p.WorstLeft) / left : 1,
            WorstRight = right > 0 ? paths.Sum(p => Math.Abs(p.Right) * p.WorstRight) / right : 1,
        };
    }

    /// <returns>Equal on both sides of a stereo channel, by a pan law's gains.</returns>
    public PathOfSource Spread(double left, double right) => this with { Left = left * Left, Right = right * Left, WorstRight = WorstLeft };

    /// <returns>Half of both sides together.</returns>
    public PathOfSource Folded()
    {
        var (sum, most) = ((Left + Right) / 2, (Math.Abs(Left) * WorstLeft + Math.Abs(Right) * WorstRight) / 2);
        return this with { Left = sum, Right = 0, WorstLeft = MixedAt is null || sum == 0 ? 1 : most / Math.Abs(sum) };
    }

    /// <returns>What is expected of different sources together: powers add.</returns>
    public static double Power(IEnumerable<PathOfSource> paths) => paths.Sum(p => p.Left * p.Left + p.Right * p.Right);

    /// <returns>What it is at worst: amplitudes add.</returns>
    public static double WorstPower(IReadOnlyCollection<PathOfSource> paths) =>
        Math.Pow(paths.Sum(p => Math.Abs(p.Left) * p.WorstLeft), 2) + Math.Pow(paths.Sum(p => Math.Abs(p.Right) * p.WorstRight), 2);
}
