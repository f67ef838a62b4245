namespace HomeStage.Core.Ducking;

/// <summary>Where a sound sets in, read from the sound itself: for a key that is recorded and has no notes.</summary>
/// <remarks>It sets in where the loudest of the next <see cref="AfterMs"/> is <see cref="RiseDb"/> above the loudest of the last <see cref="BeforeMs"/>, so that neither the swing
/// of a low tone (down to 25 Hz) nor a decay counts. Our own rule, common practice in kind; of a sound that swells it says where the swell begins.</remarks>
public static class Onsets
{
    private const double AfterMs = 10;
    private const double BeforeMs = 20;
    private const double RiseDb = 9;
    private const double ApartMs = 50;

    /// <summary>What is that far below the loudest of all does not count.</summary>
    private const double RangeDb = 24;

    /// <param name="left">Full scale is 1.</param>
    /// <param name="right">As long as <paramref name="left"/>.</param>
    /// <returns>Frames, ascending, each within the sound; empty where it is silent.</returns>
    public static IReadOnlyList<long> Of(float[] left, float[] right, int sampleRateHz)
    {
        var block = Math.Max(1, sampleRateHz / 1000);
        var peaks = new float[(left.Length + block - 1) / block];
        for (var i = 0; i < left.Length; i++)
            peaks[i / block] = Math.Max(peaks[i / block], LoudnessAt(i));
        var loudest = peaks.DefaultIfEmpty(0).Max();
        if (loudest <= 0)
            return [];
        var least = loudest * Ratio(-RangeDb);
        var found = new List<long>();
        for (var at = 0; at < peaks.Length; at++)
        {
            var before = Loudest(at - (int)BeforeMs, at);
            var after = Loudest(at, at + (int)AfterMs);
            if (after < least || after < before * Ratio(RiseDb))
                continue;
            found.Add(FirstAbove(Math.Max(before * Math.Sqrt(2), after / 10), at * block));
            at = (int)(found[^1] / block) + (int)ApartMs;
        }

        return found;

        float LoudnessAt(int frame) => Math.Max(Math.Abs(left[frame]), Math.Abs(right[frame]));
        double Loudest(int from, int to) => peaks.AsSpan(Math.Max(0, from)..Math.Clamp(to, 0, peaks.Length)) is { Length: > 0 } some ? Highest(some) : 0;
        long FirstAbove(double level, int from)
        {
            while (LoudnessAt(from) < level)
                from++;
            return from;
        }
    }

    private static double Ratio(double db) => Math.Pow(10, db / 20);

    private static float Highest(ReadOnlySpan<float> some)
    {
        var highest = 0f;
        foreach (var value in some)
            highest = Math.Max(highest, value);
        return highest;
    }
}
