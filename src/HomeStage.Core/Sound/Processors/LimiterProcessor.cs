using System.Numerics.Tensors;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A look-ahead limiter: no sample leaves above the ceiling. Lanes are linked.</summary>
/// <remarks>The gain that each frame needs is held over the look-ahead (a sliding minimum), let go exponentially, and
/// averaged over the look-ahead, so that it has arrived when the delayed peak does. It minds sample peaks; peaks between
/// samples can lie above the ceiling.</remarks>
public sealed class LimiterProcessor : IProcessor
{
    private readonly int _lookAhead;
    private readonly double _ceiling;
    private readonly float _input;
    private readonly double _release;
    private readonly DelayLine[] _lanes;
    private readonly SlidingMinimum _needed;
    private readonly double[] _recent;
    private int _place;
    private double _letGo = 1;

    public LimiterProcessor(Map<double> settings, int lanes, int sampleRateHz)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Limiter)!;
        _lookAhead = kind.LatencyFrames(settings, sampleRateHz);
        _ceiling = new Decibels(kind.Value(settings, "ceiling-db")).Linear;
        _input = (float)new Decibels(kind.Value(settings, "input-db")).Linear;
        _release = CompressorLaw.Smoothing(kind.Value(settings, "release-ms"), sampleRateHz);
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new DelayLine(_lookAhead))];
        _needed = new(_lookAhead + 1);
        _recent = new double[_lookAhead + 1];
        Reset();
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        var left = signal.Lane(0, frames);
        var right = signal.Lane(signal.Lanes - 1, frames);
        for (var i = 0; i < frames; i++)
        {
            var gain = NextGain(Math.Max(Math.Abs(left[i]), Math.Abs(right[i])) * _input);
            left[i] = Limited(_lanes[0], left[i], gain);
            if (signal.Lanes == 2)
                right[i] = Limited(_lanes[1], right[i], gain);
        }
    }

    public void Reset()
    {
        foreach (var lane in _lanes)
            lane.Reset();
        _needed.Reset(1);
        Array.Fill(_recent, 1);
        _place = 0;
        _letGo = 1;
    }

    private float Limited(DelayLine lane, float sample, double gain) => (float)(lane.Next(sample * _input) * gain);

    private double NextGain(double peak)
    {
        var held = _needed.Next(peak > _ceiling ? _ceiling / peak : 1);
        _letGo = Math.Min(held, 1 - _release * (1 - _letGo));
        _recent[_place] = _letGo;
        _place = _place + 1 == _recent.Length ? 0 : _place + 1;
        // Summed afresh: a running sum would drift, and half a thousand additions would cost too much at full rate,
        // so frames in which nothing is held down go without.
        return _letGo >= 1 && AllOpen() ? 1 : Average();
    }

    private bool AllOpen() => !_recent.AsSpan().ContainsAnyExcept(1.0);

    private double Average() => TensorPrimitives.Sum<double>(_recent) / _recent.Length;
}
