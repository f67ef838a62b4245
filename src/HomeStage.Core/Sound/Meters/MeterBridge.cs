using HomeStage.Core.Sound.Signals;
namespace HomeStage.Core.Sound.Meters;

/// <summary>All meters side by side on one signal, as it comes.</summary>
/// <param name="lanes">1 or 2; of a mono signal loudness and true peak are those of one lane.</param>
public sealed class MeterBridge(int lanes, int sampleRateHz)
{
    private const int MostPoints = 300;
    private const double Floor = -70;
    private const int Stretch = 4096;

    private readonly LoudnessMeter _loudness = new(lanes, sampleRateHz);
    private readonly TruePeakMeter _truePeak = new(lanes);
    private readonly ThirdOctaves _octaves = new(sampleRateHz);
    private readonly ChannelMeter _whole = new();
    private readonly SignalBlock _block = new(2, Stretch);

    /// <param name="right">As long as <paramref name="left"/>; the same for a mono signal.</param>
    public void Add(ReadOnlySpan<float> left, ReadOnlySpan<float> right)
    {
        for (var start = 0; start < left.Length; start += Stretch)
        {
            var frames = Math.Min(Stretch, left.Length - start);
            left.Slice(start, frames).CopyTo(_block.Lane(0, frames));
            right.Slice(start, frames).CopyTo(_block.Lane(1, frames));
            _loudness.Add(_block, frames);
            _truePeak.Add(_block, frames);
            _octaves.Add(_block, frames);
            _whole.Add(_block.Lane(0, frames), _block.Lane(1, frames));
        }
    }

    /// <summary>At the end; nothing may be added after.</summary>
    public SoundMeters Read()
    {
        _truePeak.End();
        var read = _whole.Read();
        return new(
            _loudness.IntegratedLufs, _loudness.RangeLu, _loudness.LoudestMomentaryLufs, _loudness.LoudestShortTermLufs, _truePeak.TruePeakDbtp,
            read, OverTime(), read is null ? null : _octaves.LevelsDb()?.ToSequence());
    }

    /// <summary>Thinned for drawing.</summary>
    private Sequence<double> OverTime()
    {
        var points = Math.Min(MostPoints, _loudness.Hops);
        return Enumerable.Range(0, points)
            .Select(i => Math.Round(Math.Max(Floor, _loudness.MomentaryLufs((int)((long)(i + 1) * _loudness.Hops / points) - 1)), 1))
            .ToSequence();
    }
}
