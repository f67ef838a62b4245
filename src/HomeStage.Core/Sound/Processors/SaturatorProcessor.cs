using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A saturator: the louder, the rounder, each lane at four times its rate.</summary>
/// <remarks>The curve is x·(27 + x²) / (27 + 9·x²), ±1 from |x| = 3 on: the Padé approximant of tanh, which is smooth there
/// and the same on every machine.</remarks>
public sealed class SaturatorProcessor : IProcessor
{
    private readonly Lane[] _lanes;
    private readonly float _drive;
    private readonly float _output;
    private readonly float _wet;
    private readonly Func<float, float> _bend = Curve;

    /// <param name="lanes">1 or 2.</param>
    public SaturatorProcessor(Map<double> settings, int lanes)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Saturator)!;
        _drive = (float)new Decibels(kind.Value(settings, "drive-db")).Linear;
        _output = (float)new Decibels(kind.Value(settings, "output-db")).Linear;
        _wet = (float)(kind.Value(settings, "mix-percent") / 100);
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new Lane(new(), new(Oversampler.LatencyFrames)))];
    }

    /// <summary>The curve; odd, with slope 1 at 0.</summary>
    public static float Curve(float x)
    {
        var held = Math.Clamp(x, -3, 3);
        return held * (27 + held * held) / (27 + 9 * held * held);
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < _lanes.Length; lane++)
        {
            var (over, dry) = _lanes[lane];
            foreach (ref var sample in signal.Lane(lane, frames))
            {
                var plain = dry.Next(sample);
                sample = plain + _wet * (_output * over.Next(_drive * sample, _bend) - plain);
            }
        }
    }

    public void Reset()
    {
        foreach (var (over, dry) in _lanes)
        {
            over.Reset();
            dry.Reset();
        }
    }

    private sealed record Lane(Oversampler Over, DelayLine Dry);
}
