using HomeStage.Core.Sound.Processors;

namespace HomeStage.Core.Sound.Meters;

/// <summary>Integrated loudness of a mono or stereo signal.</summary>
/// <remarks>ITU-R BS.1770-5 Annex 1: K-weighted mean square in blocks of 400 ms that overlap by 75 %, an absolute gate at
/// −70 LUFS and a relative one 10 LU under the loudness of what passed the first. Both sides weigh 1.0.</remarks>
public sealed class LoudnessMeter
{
    private const double AbsoluteGateLufs = -70;
    private const double RelativeGateLu = -10;
    private const int HopsPerBlock = 4;

    private readonly FilterCascade[] _lanes;
    private readonly int _hopFrames;
    private readonly List<double> _hopPowers = [];
    private readonly float[] _weighted = new float[4096];
    private readonly double[] _hopSums;
    private int _hopCount;

    /// <param name="lanes">1 or 2.</param>
    /// <param name="sampleRateHz">Frames per second, at least 8,000.</param>
    public LoudnessMeter(int lanes, int sampleRateHz)
    {
        if (sampleRateHz < 8000)
            throw new ArgumentOutOfRangeException(nameof(sampleRateHz), sampleRateHz, "Must be at least 8,000 Hz.");
        var sections = KWeighting.Sections(sampleRateHz);
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new FilterCascade(sections))];
        _hopSums = new double[lanes];
        _hopFrames = (int)Math.Round(sampleRateHz / 10.0);
    }

    /// <summary>LUFS; null while nothing can be measured: under 400 ms, or nothing above the gates.</summary>
    public double? IntegratedLufs
    {
        get
        {
            var blocks = BlockPowers().Where(p => Lufs(p) > AbsoluteGateLufs).ToList();
            if (blocks.Count == 0)
                return null;
            var relativeGate = Lufs(blocks.Average()) + RelativeGateLu;
            // The loudest block is never under the gate, so some always pass.
            return Lufs(blocks.Where(p => Lufs(p) > relativeGate).Average());
        }
    }

    /// <param name="block">As many lanes as the meter was made for.</param>
    public void Add(SignalBlock block, int frames)
    {
        for (var done = 0; done < frames;)
        {
            var stretch = Math.Min(Math.Min(_hopFrames - _hopCount, _weighted.Length), frames - done);
            for (var lane = 0; lane < _lanes.Length; lane++)
                AddEnergy(lane, block.Lane(lane, frames).Slice(done, stretch));
            done += stretch;
            _hopCount += stretch;
            if (_hopCount == _hopFrames)
            {
                _hopPowers.Add(_hopSums.Sum() / _hopFrames);
                Array.Clear(_hopSums);
                _hopCount = 0;
            }
        }
    }

    private void AddEnergy(int lane, ReadOnlySpan<float> samples)
    {
        var weighted = _weighted.AsSpan(0, samples.Length);
        samples.CopyTo(weighted);
        _lanes[lane].Process(weighted);
        // One running sum a lane: the order of additions, and so the result, does not depend on the blocks.
        var sum = _hopSums[lane];
        foreach (var sample in weighted)
            sum += (double)sample * sample;
        _hopSums[lane] = sum;
    }

    private IEnumerable<double> BlockPowers()
    {
        for (var hop = HopsPerBlock; hop <= _hopPowers.Count; hop++)
            yield return (_hopPowers[hop - 4] + _hopPowers[hop - 3] + _hopPowers[hop - 2] + _hopPowers[hop - 1]) / HopsPerBlock;
    }

    private static double Lufs(double meanSquare) => -0.691 + 10 * Math.Log10(meanSquare);
}
