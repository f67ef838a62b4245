using HomeStage.Core.Templates;

namespace HomeStage.Core.Levels;

/// <summary>One source where it has come to, by one chain of processing.</summary>
/// <param name="Source">Which one: an output of a player.</param>
/// <param name="Chain">The processors on its way that do more than turn it, without their ids: where these are the same, amplitudes add.</param>
/// <param name="Left">Amplitude, signed; 1 is 0 LUFS of one lane. A mono signal has this one alone.</param>
/// <param name="Right">0 for a mono signal.</param>
internal readonly record struct PathOfSource((int Player, int Output) Source, Sequence<Insert> Chain, double Left, double Right)
{
    public PathOfSource Turned(double gain) => this with { Left = gain * Left, Right = gain * Right };

    /// <returns>The paths with those of one source and chain added up, signs and all.</returns>
    public static List<PathOfSource> Summed(IEnumerable<PathOfSource> paths) =>
        [.. paths.GroupBy(p => (p.Source, p.Chain)).Select(g => new PathOfSource(g.Key.Source, g.Key.Chain, g.Sum(p => p.Left), g.Sum(p => p.Right)))];

    /// <returns>What is expected of different sources together: powers add.</returns>
    public static double Power(IEnumerable<PathOfSource> paths) => paths.Sum(p => p.Left * p.Left + p.Right * p.Right);

    /// <returns>What it is at worst: amplitudes add.</returns>
    public static double WorstPower(IReadOnlyCollection<PathOfSource> paths) =>
        Math.Pow(paths.Sum(p => Math.Abs(p.Left)), 2) + Math.Pow(paths.Sum(p => Math.Abs(p.Right)), 2);
}
