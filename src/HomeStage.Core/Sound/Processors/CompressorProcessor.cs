using System.Numerics.Tensors;
using System.Runtime.Intrinsics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A compressor whose lanes are linked by the larger side, with an optional key.</summary>
/// <remarks>Giannoulis, Massberg and Reiss 2012: level in dB → static curve → smoothing in dB, attack while the reduction
/// grows, release while it falls. The level is that of the sample, or of the mean square with a time constant of 10 ms. The
/// hold, which the paper does not have, keeps the reduction for a while before it is let go.</remarks>
public sealed class CompressorProcessor : IProcessor, IReducesGain
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Compressor)!;

    private const double MeanMs = 10;

    private const int RestEvery = 256;

    private readonly Detector _detector;
    private readonly float[] _reduction = new float[Detector.Stretch + 8];
    private readonly bool _isMean;
    private readonly float _meanShare;
    private float _thresholdDb;
    private float _slope;
    private float _kneeDb;
    private float _perKnee;
    private float _kneeBottom;
    private readonly ReductionSmoother _smoother = new();
    private float _makeUpDb;
    private float _wet;
    private readonly int _sampleRateHz;
    private float _mean;
    private int _sinceRest;

    /// <param name="key">The insert's key input; its cuts colour what the detector hears.</param>
    public CompressorProcessor(Map<double> settings, KeyInput? key, int sampleRateHz)
    {
        _detector = new(key, sampleRateHz);
        _isMean = Kind.Value(settings, "detector") >= 0.5;
        _meanShare = (float)(1 - CompressorLaw.Smoothing(MeanMs, sampleRateHz));
        _sampleRateHz = sampleRateHz;
        Retune(settings);
    }

    /// <summary>Its numbers where it hears the peaks of its own signal and holds nothing, so that it can run in lockstep with others;
    /// null otherwise.</summary>
    public CompressorLane? Plain => !_isMean && !_detector.Cuts && _smoother.IsQuick
        ? new(_thresholdDb, _slope, _kneeDb, _perKnee, _kneeBottom, _smoother.Attack, _smoother.Release, _makeUpDb, _wet)
        : null;

    public float LastReductionDb => _smoother.Last;

    public float LargestReductionDb { get; private set; }

    public void Retune(Map<double> settings)
    {
        double Value(string id) => Kind.Value(settings, id);
        _thresholdDb = (float)Value("threshold-db");
        _slope = (float)(1 - 1 / Value("ratio"));
        _kneeDb = (float)Value("knee-db");
        _perKnee = _kneeDb > 0 ? 1 / (2 * _kneeDb) : 0;
        var bottom = new Decibels(_thresholdDb - _kneeDb / 2).Linear;
        _kneeBottom = (float)(_isMean ? bottom * bottom : bottom);
        _smoother.Set(Value("attack-ms"), Value("hold-ms"), Value("release-ms"), _sampleRateHz);
        _makeUpDb = (float)Value("make-up-db");
        _wet = (float)(Value("mix-percent") / 100);
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        LargestReductionDb = 0;
        for (var start = 0; start < frames;)
        {
            var stretch = Math.Min(Math.Min(Detector.Stretch, RestEvery - _sinceRest), frames - start);
            ProcessStretch(signal, _detector.Level(signal, key, start, stretch), start, stretch);
            start += stretch;
            _sinceRest = (_sinceRest + stretch) % RestEvery;
            if (_sinceRest == 0)
                _smoother.Rest();
        }
    }

    public void Reset()
    {
        (_mean, _sinceRest) = (0, 0);
        _smoother.Reset();
        _detector.Reset();
    }

    private void ProcessStretch(SignalBlock signal, float[] level, int start, int frames)
    {
        if (_isMean)
            MeanSquares(level.AsSpan(0, frames));
        if (_smoother.Last == 0 && TensorPrimitives.Max<float>(level.AsSpan(0, frames)) <= _kneeBottom)
            _reduction.AsSpan(0, frames).Clear();
        else
            Reduce(level, frames);
        LargestReductionDb = Math.Max(LargestReductionDb, TensorPrimitives.Max<float>(_reduction.AsSpan(0, frames)));
        Gains(frames);
        for (var lane = 0; lane < signal.Lanes; lane++)
        {
            var samples = signal.Lane(lane, start + frames)[start..];
            TensorPrimitives.Multiply(samples, _reduction.AsSpan(0, frames), samples);
        }
    }

    private void MeanSquares(Span<float> level)
    {
        var mean = _mean;
        foreach (ref var sample in level)
            sample = mean += _meanShare * (sample * sample - mean);
        _mean = mean < 1e-20f ? 0 : mean;
    }

    private void Reduce(float[] level, int frames)
    {
        Wanted(level, frames);
        _smoother.Smooth(_reduction.AsSpan(0, frames));
    }

    /// <summary>The static curve: what the law takes off at each frame.</summary>
    private void Wanted(float[] level, int frames)
    {
        var perOctave = Vector256.Create(_isMean ? Polynomials.DbPerOctave / 2 : Polynomials.DbPerOctave);
        var (threshold, half, knee) = (Vector256.Create(_thresholdDb), Vector256.Create(_kneeDb / 2), Vector256.Create(_kneeDb));
        var (slope, perKnee, bottom) = (Vector256.Create(_slope), Vector256.Create(_perKnee), Vector256.Create(_kneeBottom));
        for (var i = 0; i < frames; i += 8)
        {
            var heard = Vector256.Create(level, i);
            var over = Polynomials.Log2(heard) * perOctave - threshold;
            var within = Vector256.MinNative(Vector256.MaxNative(over + half, default), knee);
            var wanted = slope * (within * within * perKnee + Vector256.MaxNative(over - half, default));
            Vector256.ConditionalSelect(Vector256.GreaterThan(heard, bottom), wanted, default).CopyTo(_reduction, i);
        }
    }

    private void Gains(int frames)
    {
        var (makeUp, perDb) = (Vector256.Create(_makeUpDb), Vector256.Create(1 / Polynomials.DbPerOctave));
        var (wet, one) = (Vector256.Create(_wet), Vector256<float>.One);
        for (var i = 0; i < frames; i += 8)
        {
            var gain = Polynomials.Exp2((makeUp - Vector256.Create(_reduction, i)) * perDb);
            (one + wet * (gain - one)).CopyTo(_reduction, i);
        }
    }
}
