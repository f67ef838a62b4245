namespace HomeStage.Core.Outside;

/// <summary>How loud a sound is over time: the mean power of each hundredth of a second, over its lanes.</summary>
public sealed class Contour
{
    public const int RateHz = 100;

    /// <summary>What counts as silence, in dBFS.</summary>
    public const double SilenceDb = -120;

    /// <summary>What is so far below the loudest of all is not looked at.</summary>
    private const double RangeDb = 50;

    private readonly double[] _db;

    private Contour(double[] db) => (_db, LoudestDb) = (db, db.DefaultIfEmpty(SilenceDb).Max());

    public double LengthSeconds => (double)_db.Length / RateHz;

    public double LoudestDb { get; }

    /// <param name="lanes">One or two of one length; full scale is 1.</param>
    public static Contour Of(IReadOnlyList<float[]> lanes, int sampleRateHz)
    {
        var frames = lanes[0].Length;
        var db = new double[(int)((long)frames * RateHz / sampleRateHz)];
        for (var i = 0; i < db.Length; i++)
        {
            var (from, to) = ((int)((long)i * sampleRateHz / RateHz), (int)((long)(i + 1) * sampleRateHz / RateHz));
            var power = 0.0;
            foreach (var lane in lanes)
                for (var n = from; n < to; n++)
                    power += (double)lane[n] * lane[n];
            db[i] = Math.Max(SilenceDb, 10 * Math.Log10(power / ((to - from) * lanes.Count) + 1e-30));
        }

        return new(db);
    }

    /// <returns>The loudest hundredth between two times, in dBFS; silence where there is none.</returns>
    public double Loudest(double fromSeconds, double toSeconds)
    {
        var (from, to) = (Math.Clamp((int)(fromSeconds * RateHz), 0, _db.Length), Math.Clamp((int)(toSeconds * RateHz), 0, _db.Length));
        return to > from ? _db.AsSpan(from..to).ToArray().Max() : SilenceDb;
    }

    /// <summary>By how much it rises at a time: the loudest of what comes until another, above the loudest of the last few hundredths.</summary>
    public double RiseDb(double atSeconds, double untilSeconds) => Loudest(atSeconds, untilSeconds) - Loudest(atSeconds - 0.06, atSeconds - 0.01);

    /// <returns>From 0 for what is too soft to count to 1 for the loudest: what two contours are compared by, whatever the gain.</returns>
    public double[] Shape()
    {
        var least = Math.Max(LoudestDb - RangeDb, SilenceDb + 1);
        return [.. _db.Select(d => Math.Clamp((d - least) / RangeDb, 0, 1))];
    }
}
