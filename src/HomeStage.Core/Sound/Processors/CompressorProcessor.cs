using System.Numerics.Tensors;
using System.Runtime.Intrinsics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
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

    // A reduction of a millionth of a dB is none; it is looked at every so many frames.
    private const float Settled = 1e-6f;
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
    private float _attack;
    private float _release;
    private int _holdFrames;
    private float _makeUpDb;
    private float _wet;
    private readonly int _sampleRateHz;
    private float _mean;
    private float _last;
    private int _held;
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

    public float LastReductionDb => _last;

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
        _attack = (float)CompressorLaw.Smoothing(Value("attack-ms"), _sampleRateHz);
        _release = (float)CompressorLaw.Smoothing(Value("release-ms"), _sampleRateHz);
        _holdFrames = (int)(Value("hold-ms") * _sampleRateHz / 1000);
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
            if (_sinceRest == 0 && _last < Settled)
                _last = 0;
        }
    }

    public void Reset()
    {
        (_mean, _last, _held, _sinceRest) = (0, 0, 0, 0);
        _detector.Reset();
    }

    private void ProcessStretch(SignalBlock signal, float[] level, int start, int frames)
    {
        if (_isMean)
            MeanSquares(level.AsSpan(0, frames));
        if (_last == 0 && TensorPrimitives.Max<float>(level.AsSpan(0, frames)) <= _kneeBottom)
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
        var span = _reduction.AsSpan(0, frames);
        if (_holdFrames > 0)
            SmoothWithHold(span);
        else if (_attack <= _release)
            SmoothQuickly(span);
        else
            SmoothSlowly(span);
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
            var within = Vector256.Min(Vector256.Max(over + half, default), knee);
            var wanted = slope * (within * within * perKnee + Vector256.Max(over - half, default));
            Vector256.ConditionalSelect(Vector256.GreaterThan(heard, bottom), wanted, default).CopyTo(_reduction, i);
        }
    }

    // While the attack is the quicker one, the larger of both steps is the right one: it grows by the attack and falls by
    // the release. Otherwise it is the smaller one.
    private void SmoothQuickly(Span<float> reduction)
    {
        var (last, attack, release, byAttack, byRelease) = (_last, _attack, _release, 1 - _attack, 1 - _release);
        foreach (ref var wanted in reduction)
            wanted = last = MathF.Max(MathF.FusedMultiplyAdd(attack, last, byAttack * wanted), MathF.FusedMultiplyAdd(release, last, byRelease * wanted));
        _last = last;
    }

    private void SmoothSlowly(Span<float> reduction)
    {
        var (last, attack, release, byAttack, byRelease) = (_last, _attack, _release, 1 - _attack, 1 - _release);
        foreach (ref var wanted in reduction)
            wanted = last = MathF.Min(MathF.FusedMultiplyAdd(attack, last, byAttack * wanted), MathF.FusedMultiplyAdd(release, last, byRelease * wanted));
        _last = last;
    }

    private void SmoothWithHold(Span<float> reduction)
    {
        foreach (ref var wanted in reduction)
        {
            if (wanted >= _last)
            {
                _held = _holdFrames;
                _last = MathF.FusedMultiplyAdd(_attack, _last, (1 - _attack) * wanted);
            }
            else if (_held > 0)
            {
                _held--;
            }
            else
            {
                _last = MathF.FusedMultiplyAdd(_release, _last, (1 - _release) * wanted);
            }

            wanted = _last;
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
