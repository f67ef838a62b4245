using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Outside;

/// <summary>What a stroke is made of: the level of each third octave against the loudest. Two strokes of a drum differ in their noise, not in this.</summary>
internal sealed class Timbre
{
    /// <summary>Strokes that differ by less are of one sound.</summary>
    public const double SameDb = 4;

    private const double RangeDb = 45;
    private const double LowestHz = 50;

    private readonly double[] _db;

    private Timbre(double[] db) => _db = db;

    /// <returns>Null for silence.</returns>
    public static Timbre? Of(IReadOnlyList<float[]> lanes, int rateHz)
    {
        var length = (int)System.Numerics.BitOperations.RoundUpToPowerOf2((uint)Math.Max(2, lanes[0].Length));
        var (transform, powers) = (new Transform(length), new double[length / 2]);
        foreach (var lane in lanes)
        {
            var (re, im) = (new double[length], new double[length]);
            for (var n = 0; n < lane.Length; n++)
                re[n] = lane[n];
            transform.Run(re, im);
            for (var k = 0; k < powers.Length; k++)
                powers[k] += re[k] * re[k] + im[k] * im[k];
        }

        var width = (double)rateHz / length;
        var bands = ThirdOctaveBands.OfHearing.Where(c => c >= LowestHz && c * Math.Pow(10, 0.05) < rateHz * 0.46)
            .Select(c => powers.AsSpan((int)(c * Math.Pow(10, -0.05) / width)..Math.Max((int)(c * Math.Pow(10, -0.05) / width) + 1, (int)(c * Math.Pow(10, 0.05) / width))).ToArray().Sum()).ToList();
        var loudest = bands.Max();
        return loudest > 1e-9 ? new([.. bands.Select(p => Math.Max(-RangeDb, 10 * Math.Log10(p / loudest + 1e-12)))]) : null;
    }

    /// <returns>The root of the mean square over the bands, in dB.</returns>
    public double DistanceDb(Timbre other) => Math.Sqrt(_db.Zip(other._db, (a, b) => (a - b) * (a - b)).Average());
}
