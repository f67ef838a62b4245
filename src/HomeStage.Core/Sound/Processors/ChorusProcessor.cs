using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A chorus: each lane with a copy whose delay sways by a sine, a quarter wave apart between the sides.</summary>
/// <remarks>The delay sways between 5 ms and 5 ms plus the depth. Between frames the line is read by a cubic through four of
/// them (Hermite, Catmull and Rom 1974).</remarks>
public sealed class ChorusProcessor : IProcessor
{
    private const double LeastMs = 5;

    private readonly Voice[] _voices;
    private readonly float _wet;
    private readonly double _turnsPerFrame;
    private readonly double _leastFrames;
    private readonly double _depthFrames;
    private long _frame;

    /// <param name="lanes">1 or 2.</param>
    public ChorusProcessor(Map<double> settings, int lanes, int sampleRateHz)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Chorus)!;
        _wet = (float)(kind.Value(settings, "mix-percent") / 100);
        _turnsPerFrame = kind.Value(settings, "rate-hz") / sampleRateHz;
        _leastFrames = LeastMs * sampleRateHz / 1000;
        _depthFrames = kind.Value(settings, "depth-ms") * sampleRateHz / 1000;
        _voices = [.. Enumerable.Range(0, lanes).Select(_ => new Voice((int)(_leastFrames + _depthFrames) + 4))];
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < signal.Lanes; lane++)
        {
            var samples = signal.Lane(lane, frames);
            for (var i = 0; i < frames; i++)
            {
                var sway = (1 + Sine.OfTurns((_frame + i) * _turnsPerFrame + lane / 4.0)) / 2;
                samples[i] += _wet * (_voices[lane].Next(samples[i], _leastFrames + _depthFrames * sway) - samples[i]);
            }
        }

        _frame += frames;
    }

    public void Reset()
    {
        _frame = 0;
        foreach (var voice in _voices)
            voice.Reset();
    }

    private sealed class Voice(int frames)
    {
        private readonly float[] _held = new float[frames];
        private int _place;

        /// <param name="delayFrames">In [2, frames − 3].</param>
        public float Next(float sample, double delayFrames)
        {
            _held[_place] = sample;
            var whole = (int)delayFrames;
            var t = (float)(delayFrames - whole);
            var (a, b, c, d) = (Held(whole - 1), Held(whole), Held(whole + 1), Held(whole + 2));
            _place = _place + 1 == _held.Length ? 0 : _place + 1;
            return b + t * ((c - a) / 2 + t * (a - 2.5f * b + 2 * c - d / 2 + t * ((d - a) / 2 + 1.5f * (b - c))));
        }

        public void Reset()
        {
            Array.Clear(_held);
            _place = 0;
        }

        private float Held(int ago)
        {
            var at = _place - ago;
            return _held[at < 0 ? at + _held.Length : at];
        }
    }
}
