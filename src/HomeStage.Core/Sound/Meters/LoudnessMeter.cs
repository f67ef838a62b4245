using HomeStage.Core.Sound.Signals;
namespace HomeStage.Core.Sound.Meters;

/// <summary>Loudness of a mono or stereo signal: integrated, momentary, short-term and its range.</summary>
/// <remarks>ITU-R BS.1770-5 Annex 1: K-weighted mean square in blocks of 400 ms that overlap by 75 %, an absolute gate at
/// −70 LUFS and a relative one 10 LU under the loudness of what passed the first. Both sides weigh 1.0. EBU Tech 3341:
/// momentary over 400 ms, short-term over 3 s, neither gated, read here every 10 ms. EBU Tech 3342: the range is the distance
/// from the 10th to the 95th percentile of the short-term values above −70 LUFS and above 20 LU under their mean.</remarks>
public sealed class LoudnessMeter
{
    private const double AbsoluteGateLufs = -70;
    private const double RelativeGateLu = -10;
    private const double RangeGateLu = -20;
    private const int HopsASecond = 100;
    private const int HopsOfMomentary = 40;
    private const int HopsOfShortTerm = 300;

    // Gated values are taken a tenth of a second apart: three quarters of two neighbouring blocks of 400 ms are the same.
    private const int HopsOfStep = 10;

    private readonly KWeightedEnergy _energy;
    private readonly int _lanes;
    private readonly int _hopFrames;
    private readonly List<double> _hopPowers = [];
    private int _hopCount;

    /// <param name="lanes">1 or 2.</param>
    /// <param name="sampleRateHz">Frames per second, at least 8,000.</param>
    public LoudnessMeter(int lanes, int sampleRateHz)
    {
        if (sampleRateHz < 8000)
            throw new ArgumentOutOfRangeException(nameof(sampleRateHz), sampleRateHz, "Must be at least 8,000 Hz.");
        _energy = new(sampleRateHz);
        _lanes = lanes;
        _hopFrames = (int)Math.Round(sampleRateHz / (double)HopsASecond);
    }

    /// <summary>How many hundredths of a second are done.</summary>
    public int Hops => _hopPowers.Count;

    /// <summary>LUFS; null while nothing can be measured: under 400 ms, or nothing above the gates.</summary>
    public double? IntegratedLufs => Gated(Powers(HopsOfMomentary, HopsOfStep), RelativeGateLu) is { Count: > 0 } passed ? Lufs(passed.Average()) : null;

    /// <summary>LU; null while there are no 3 s above the gates.</summary>
    public double? RangeLu
    {
        get
        {
            var passed = Gated(Powers(HopsOfShortTerm, HopsOfStep), RangeGateLu).Select(Lufs).Order().ToList();
            return passed.Count == 0 ? null : Percentile(passed, 0.95) - Percentile(passed, 0.10);
        }
    }

    /// <summary>The loudest 400 ms, in LUFS; null while there are none.</summary>
    public double? LoudestMomentaryLufs => Loudest(HopsOfMomentary);

    /// <summary>The loudest 3 s, in LUFS; null while there are none.</summary>
    public double? LoudestShortTermLufs => Loudest(HopsOfShortTerm);

    /// <returns>LUFS of the 400 ms that end with a hundredth of a second; −∞ before there are as many, and for silence.</returns>
    /// <param name="hop">In [0, Hops).</param>
    public double MomentaryLufs(int hop) => At(hop, HopsOfMomentary);

    /// <returns>LUFS of the 3 s that end with a hundredth of a second; −∞ before there are as many, and for silence.</returns>
    /// <param name="hop">In [0, Hops).</param>
    public double ShortTermLufs(int hop) => At(hop, HopsOfShortTerm);

    /// <param name="block">As many lanes as the meter was made for.</param>
    public void Add(SignalBlock block, int frames)
    {
        for (var done = 0; done < frames;)
        {
            var stretch = Math.Min(_hopFrames - _hopCount, frames - done);
            _energy.Add(block.Lane(0, frames).Slice(done, stretch), block.Lane(_lanes - 1, frames).Slice(done, stretch));
            done += stretch;
            _hopCount += stretch;
            if (_hopCount < _hopFrames)
                continue;
            var (left, right) = _energy.Take();
            _hopPowers.Add((_lanes == 2 ? left + right : left) / _hopFrames);
            _hopCount = 0;
        }
    }

    private IEnumerable<double> Powers(int hops, int step)
    {
        // Summed afresh for each: a running sum would drift, and silence would not stay silent.
        for (var end = hops; end <= _hopPowers.Count; end += step)
            yield return Mean(end, hops);
    }

    private double Mean(int end, int hops)
    {
        var sum = 0.0;
        for (var hop = end - hops; hop < end; hop++)
            sum += _hopPowers[hop];
        return sum / hops;
    }

    private double At(int hop, int hops) => hop + 1 < hops ? double.NegativeInfinity : Lufs(Mean(hop + 1, hops));

    private double? Loudest(int hops) => Powers(hops, 1).Append(0).Max() is > 0 and var most ? Lufs(most) : null;

    /// <summary>What passes the absolute gate and then the relative one, which lies under the mean of what passed the first.</summary>
    private static List<double> Gated(IEnumerable<double> powers, double relativeGateLu)
    {
        var passed = powers.Where(p => Lufs(p) > AbsoluteGateLufs).ToList();
        if (passed.Count == 0)
            return passed;
        var gate = Lufs(passed.Average()) + relativeGateLu;
        return passed.FindAll(p => Lufs(p) > gate);
    }

    /// <summary>The value at the nearest rank, as the annex of EBU Tech 3342 takes it.</summary>
    private static double Percentile(List<double> sorted, double share) => sorted[(int)Math.Round((sorted.Count - 1) * share)];

    private static double Lufs(double meanSquare) => -0.691 + 10 * Math.Log10(meanSquare);
}
