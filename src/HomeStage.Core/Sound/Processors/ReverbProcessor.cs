using System.Numerics.Tensors;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A reverb: a feedback delay network of eight lines, between a pre-delay and the width of its picture.</summary>
public sealed class ReverbProcessor : IProcessor, IFollowsTempo
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Reverb)!;

    private const int Stretch = 256;

    // The two sides are as noise to each other: this keeps their power on one.
    private const float OneSide = 0.70710678f;

    private readonly DelayNetwork _network;
    private readonly MovingTap[] _before;
    private readonly int _sampleRateHz;
    private readonly double _firstTempoBpm;
    private double _preDelayQuarters;
    private double _tempoBpm;
    private readonly float[][] _wetLanes = [new float[Stretch], new float[Stretch]];
    private float _width;
    private float _wet;

    /// <param name="lanes">1 or 2.</param>
    /// <param name="tempoBpm">The tempo by which the pre-delay's note value is counted.</param>
    public ReverbProcessor(Map<double> settings, int lanes, int sampleRateHz, double tempoBpm)
    {
        double Value(string id) => Kind.Value(settings, id);
        _network = new(Value("decay-s"), Value("size-percent") / 100, Value("damping-hz"), sampleRateHz);
        (_sampleRateHz, _firstTempoBpm, _tempoBpm, _preDelayQuarters) = (sampleRateHz, tempoBpm, tempoBpm, Value("pre-delay-quarters"));
        var move = Math.Max(1, (int)(DelayLaw.MoveMs / 1000 * sampleRateHz));
        _before = [.. Enumerable.Range(0, lanes).Select(_ => new MovingTap(PreDelay() + 1, move))];
        Retune(settings);
    }

    /// <summary>The size stays.</summary>
    public void Retune(Map<double> settings)
    {
        _network.Retune(Kind.Value(settings, "decay-s"), Kind.Value(settings, "damping-hz"));
        _width = (float)(Kind.Value(settings, "width-percent") / 100);
        _wet = (float)(Kind.Value(settings, "wet-percent") / 100);
        _preDelayQuarters = Kind.Value(settings, "pre-delay-quarters");
        MoveTaps();
    }

    public void SetTempo(double tempoBpm)
    {
        _tempoBpm = tempoBpm;
        MoveTaps();
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var start = 0; start < frames; start += Stretch)
            ProcessStretch(signal, start, Math.Min(Stretch, frames - start));
    }

    public void Reset()
    {
        _network.Reset();
        _tempoBpm = _firstTempoBpm;
        foreach (var tap in _before)
            tap.Reset(PreDelay() + 1);
    }

    /// <returns>Frames.</returns>
    private int PreDelay() => _preDelayQuarters > 0 ? DelayLaw.Frames(_preDelayQuarters, _tempoBpm, _sampleRateHz) : 0;

    private void MoveTaps()
    {
        foreach (var tap in _before)
            tap.MoveTo(PreDelay() + 1);
    }

    private static void Delayed(MovingTap tap, ReadOnlySpan<float> samples, Span<float> heard)
    {
        for (var i = 0; i < samples.Length; i++)
        {
            tap.Put(samples[i]);
            heard[i] = tap.Heard();
        }
    }

    private void ProcessStretch(SignalBlock signal, int start, int frames)
    {
        var heardLeft = _wetLanes[0].AsSpan(0, frames);
        var heardRight = _wetLanes[1].AsSpan(0, frames);
        var left = signal.Lane(0, start + frames)[start..];
        Delayed(_before[0], left, heardLeft);
        if (signal.Lanes == 2)
            Delayed(_before[1], signal.Lane(1, start + frames)[start..], heardRight);
        else
            heardLeft.CopyTo(heardRight);
        _network.Process(heardLeft, heardRight);
        if (signal.Lanes == 1)
        {
            for (var i = 0; i < frames; i++)
                left[i] += _wet * ((heardLeft[i] + heardRight[i]) * OneSide - left[i]);
            return;
        }

        Mix(left, signal.Lane(1, start + frames)[start..], heardLeft, heardRight);
    }

    /// <summary>The wet sound in its width over the dry one.</summary>
    private void Mix(Span<float> left, Span<float> right, ReadOnlySpan<float> heardLeft, ReadOnlySpan<float> heardRight)
    {
        // Width and wetness as what of each side comes to either.
        var (near, far, dry) = (_wet * (1 + _width) / 2, _wet * (1 - _width) / 2, 1 - _wet);
        TensorPrimitives.Multiply(left, dry, left);
        TensorPrimitives.Multiply(right, dry, right);
        TensorPrimitives.MultiplyAdd(heardLeft, near, left, left);
        TensorPrimitives.MultiplyAdd(heardRight, far, left, left);
        TensorPrimitives.MultiplyAdd(heardRight, near, right, right);
        TensorPrimitives.MultiplyAdd(heardLeft, far, right, right);
    }
}
