using System.Diagnostics;
using System.Globalization;

namespace HomeStage.Bench;

/// <summary>Times something several times and tells the middle one: the machine is shared and noisy.</summary>
internal static class Medians
{
    /// <param name="runs">Odd, at least 3; one more is run first and not counted.</param>
    public static double Seconds(int runs, Action work)
    {
        work();
        return Median(Enumerable.Range(0, runs).Select(_ => Once(work)));
    }

    private static double Once(Action work)
    {
        var watch = Stopwatch.StartNew();
        work();
        return watch.Elapsed.TotalSeconds;
    }

    /// <summary>Two things one after another, again and again, so that the machine's moods fall on both alike.</summary>
    /// <param name="runs">Odd, at least 3; one more of each is run first and not counted.</param>
    public static (double First, double Second) SecondsInTurn(int runs, Action first, Action second)
    {
        var times = Enumerable.Range(0, runs + 1).Select(_ => (First: Once(first), Second: Once(second))).Skip(1).ToArray();
        return (Median(times.Select(t => t.First)), Median(times.Select(t => t.Second)));
    }

    public static double Median(IEnumerable<double> times) => Percentile(times, 0.5);

    /// <param name="share">In [0, 1).</param>
    public static double Percentile(IEnumerable<double> times, double share)
    {
        var sorted = times.Order().ToArray();
        return sorted[(int)(share * sorted.Length)];
    }

    public static void Say(FormattableString line) => Console.WriteLine(line.ToString(CultureInfo.InvariantCulture));
}
