using System.Numerics.Tensors;
using System.Runtime.Intrinsics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A saturator: the louder, the rounder, each lane at twice or four times its rate.</summary>
public sealed class SaturatorProcessor : IProcessor
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Saturator)!;

    private readonly Oversampler[] _lanes;
    private readonly HeldBack[] _dry;
    private float _drive;
    private float _output;
    private float _wet;
    private readonly Oversampler.Bend _bend = BendAll;

    /// <param name="lanes">1 or 2.</param>
    public SaturatorProcessor(Map<double> settings, int lanes)
    {
        Retune(settings);
        var times = Kind.Value(settings, "oversampling") >= 0.5 ? 4 : 2;
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new Oversampler(times))];
        _dry = [.. Enumerable.Range(0, lanes).Select(_ => new HeldBack(Oversampler.LatencyFrames))];
    }

    public void Retune(Map<double> settings)
    {
        _drive = (float)new Decibels(Kind.Value(settings, "drive-db")).Linear;
        _output = (float)new Decibels(Kind.Value(settings, "output-db")).Linear;
        _wet = (float)(Kind.Value(settings, "mix-percent") / 100);
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < _lanes.Length; lane++)
        {
            var samples = signal.Lane(lane, frames);
            var plain = _dry[lane].Take(samples);
            TensorPrimitives.Multiply(samples, _drive, samples);
            _lanes[lane].Process(samples, _bend);
            for (var i = 0; i < samples.Length; i++)
                samples[i] = plain[i] + _wet * (_output * samples[i] - plain[i]);
        }
    }

    public void Reset()
    {
        foreach (var lane in _lanes)
            lane.Reset();
        foreach (var dry in _dry)
            dry.Reset();
    }

    /// <summary>The curve over whole arrays; the amplifier bends by it too.</summary>
    internal static void BendAll(float[][] phases, int frames)
    {
        foreach (var phase in phases)
            for (var i = 0; i < frames; i += 8)
                SaturatorLaw.Curve(Vector256.Create(phase, i)).CopyTo(phase, i);
    }
}
