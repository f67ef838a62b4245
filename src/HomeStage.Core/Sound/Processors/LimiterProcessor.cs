using System.Numerics.Tensors;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A look-ahead limiter: no sample and nothing between samples leaves above the ceiling. Lanes are linked.</summary>
/// <remarks>The gain that each frame needs, by the peaks at sixteen times the rate, is held over the look-ahead (a sliding
/// minimum), let go exponentially, and averaged over the look-ahead, so that it has arrived when the delayed peak does. The
/// gain that moves between two samples may add a little between them: under 0.2 dB for content below 0.45 of the rate. With a key on, or cuts before the detector, the ceiling holds for what the detector hears,
/// not for the signal.</remarks>
public sealed class LimiterProcessor : IProcessor, IReducesGain
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Limiter)!;

    // Gains are summed as whole numbers, so that a running sum never drifts.
    private const double Whole = 1L << 40;

    private readonly int _window;
    private double _ceiling;
    private float _input;
    private double _release;
    private readonly bool _hearsKey;
    private readonly Detector _detector;
    private readonly HeldBack _detected = new(PeaksBetween.LatencyFrames);
    private readonly PeaksBetween[] _peaks;
    private readonly HeldBack[] _lanes;
    private readonly float[] _level = new float[Detector.Stretch];
    private readonly float[] _other = new float[Detector.Stretch];
    private readonly SlidingMinimum _needed;
    private readonly long[] _recent;
    private readonly int _sampleRateHz;
    private int _place;
    private long _sum;
    private double _letGo = 1;

    /// <param name="key">The insert's key input; its cuts colour what the detector hears.</param>
    public LimiterProcessor(Map<double> settings, KeyInput? key, int lanes, int sampleRateHz)
    {
        var latency = Kind.LatencyFrames(settings, sampleRateHz);
        // One frame more than the look-ahead, for both samples beside a peak.
        _window = latency - PeaksBetween.LatencyFrames + 1;
        _sampleRateHz = sampleRateHz;
        Retune(settings);
        _hearsKey = key is { On: true } or { LowCutHz: not null } or { HighCutHz: not null };
        _detector = new(key, sampleRateHz);
        _peaks = [.. Enumerable.Range(0, lanes).Select(_ => new PeaksBetween())];
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new HeldBack(latency))];
        _needed = new(_window);
        _recent = new long[_window];
        Reset();
    }

    public float LastReductionDb { get; private set; }

    public float LargestReductionDb { get; private set; }

    /// <summary>The look-ahead stays.</summary>
    public void Retune(Map<double> settings)
    {
        _ceiling = new Decibels(Kind.Value(settings, "ceiling-db")).Linear;
        _input = (float)new Decibels(Kind.Value(settings, "input-db")).Linear;
        _release = CompressorLaw.Smoothing(Kind.Value(settings, "release-ms"), _sampleRateHz);
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        var least = 1f;
        for (var start = 0; start < frames; start += Detector.Stretch)
        {
            var stretch = Math.Min(Detector.Stretch, frames - start);
            var gains = _level.AsSpan(0, stretch);
            Hear(signal, key, start, gains);
            foreach (ref var gain in gains)
                gain = NextGain(gain * _input);
            least = Math.Min(least, TensorPrimitives.Min<float>(gains));
            LastReductionDb = DbDown(gains[^1]);
            for (var lane = 0; lane < _lanes.Length; lane++)
            {
                var samples = signal.Lane(lane, start + stretch)[start..];
                TensorPrimitives.Multiply(_lanes[lane].Take(samples), _input, samples);
                TensorPrimitives.Multiply(samples, gains, samples);
            }
        }

        LargestReductionDb = DbDown(least);
    }

    public void Reset()
    {
        foreach (var lane in _lanes)
            lane.Reset();
        foreach (var lane in _peaks)
            lane.Reset();
        _detected.Reset();
        _detector.Reset();
        _needed.Reset(1);
        Array.Fill(_recent, (long)Whole);
        _sum = _recent.Length * (long)Whole;
        _place = 0;
        _letGo = 1;
        LastReductionDb = 0;
    }

    private static float DbDown(float gain) => gain >= 1 ? 0 : -20 * MathF.Log10(Math.Max(gain, Polynomials.Least));

    private void Hear(SignalBlock signal, SignalBlock? key, int start, Span<float> level)
    {
        var frames = level.Length;
        if (_hearsKey)
        {
            _detected.Take(_detector.Level(signal, key, start, frames).AsSpan(0, frames)).CopyTo(level);
            return;
        }

        // Below the ceiling no gain is needed, however finely one looks.
        var finelyFrom = (float)(_ceiling / _input);
        _peaks[0].Process(signal.Lane(0, start + frames)[start..], level, finelyFrom);
        if (_lanes.Length == 1)
            return;
        var other = _other.AsSpan(0, frames);
        _peaks[1].Process(signal.Lane(1, start + frames)[start..], other, finelyFrom);
        TensorPrimitives.Max(level, other, level);
    }

    private float NextGain(float peak)
    {
        var held = _needed.Next(CeilingLaw.Gain(peak, _ceiling));
        _letGo = Math.Min(held, 1 - _release * (1 - _letGo));
        var counted = (long)(_letGo * Whole);
        _sum += counted - _recent[_place];
        _recent[_place] = counted;
        _place = _place + 1 == _recent.Length ? 0 : _place + 1;
        return (float)(_sum / (_recent.Length * Whole));
    }
}
