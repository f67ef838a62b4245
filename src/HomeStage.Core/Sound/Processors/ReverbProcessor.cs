using System.Numerics.Tensors;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A reverb: a feedback delay network of eight lines, between a pre-delay and the width of its picture.</summary>
public sealed class ReverbProcessor : IProcessor
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Reverb)!;

    private const int Stretch = 256;

    private readonly DelayNetwork _network;
    private readonly HeldBack[] _before;
    private readonly float[][] _wetLanes = [new float[Stretch], new float[Stretch]];
    private float _width;
    private float _wet;

    /// <param name="lanes">1 or 2.</param>
    /// <param name="tempoBpm">The tempo by which the pre-delay's note value is counted.</param>
    public ReverbProcessor(Map<double> settings, int lanes, int sampleRateHz, double tempoBpm)
    {
        double Value(string id) => Kind.Value(settings, id);
        _network = new(Value("decay-s"), Value("size-percent") / 100, Value("damping-hz"), sampleRateHz);
        Retune(settings);
        var preDelay = Value("pre-delay-quarters");
        _before = [.. Enumerable.Range(0, lanes).Select(_ => new HeldBack(preDelay > 0 ? DelayLaw.Frames(preDelay, tempoBpm, sampleRateHz) : 0))];
    }

    /// <summary>The size and the pre-delay stay.</summary>
    public void Retune(Map<double> settings)
    {
        _network.Retune(Kind.Value(settings, "decay-s"), Kind.Value(settings, "damping-hz"));
        _width = (float)(Kind.Value(settings, "width-percent") / 100);
        _wet = (float)(Kind.Value(settings, "wet-percent") / 100);
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var start = 0; start < frames; start += Stretch)
            ProcessStretch(signal, start, Math.Min(Stretch, frames - start));
    }

    public void Reset()
    {
        _network.Reset();
        foreach (var line in _before)
            line.Reset();
    }

    private void ProcessStretch(SignalBlock signal, int start, int frames)
    {
        var heardLeft = _wetLanes[0].AsSpan(0, frames);
        var heardRight = _wetLanes[1].AsSpan(0, frames);
        var left = signal.Lane(0, start + frames)[start..];
        _before[0].Take(left).CopyTo(heardLeft);
        if (signal.Lanes == 2)
            _before[1].Take(signal.Lane(1, start + frames)[start..]).CopyTo(heardRight);
        else
            heardLeft.CopyTo(heardRight);
        _network.Process(heardLeft, heardRight);
        if (signal.Lanes == 1)
        {
            for (var i = 0; i < frames; i++)
                left[i] += _wet * ((heardLeft[i] + heardRight[i]) / 2 - left[i]);
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
