using HomeStage.Core.Catalogue;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Two taps in note values, each repeating into itself through a low and a high cut.</summary>
public sealed class DelayProcessor : IProcessor
{
    private readonly Tap[] _taps;
    private readonly float _wet;

    /// <param name="tempoBpm">The tempo by which note values are counted.</param>
    public DelayProcessor(Map<double> settings, int lanes, int sampleRateHz, double tempoBpm)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Delay)!;
        double Value(string id) => kind.Value(settings, id);
        Biquad[] loop = [FilterDesign.LowCut(Value("low-cut-hz"), sampleRateHz), FilterDesign.HighCut(Value("high-cut-hz"), sampleRateHz)];
        _taps = [.. new[] { "left-quarters", "right-quarters" }.Take(lanes).Select(id =>
            new Tap(Frames(Value(id), tempoBpm, sampleRateHz), (float)(Value("feedback-percent") / 100), loop))];
        _wet = (float)(Value("wet-percent") / 100);
    }

    /// <returns>Frames of a note value, at least 1.</returns>
    public static int Frames(double quarters, double tempoBpm, int sampleRateHz) =>
        Math.Max(1, (int)Math.Round(NoteValue.Milliseconds(quarters, tempoBpm) / 1000 * sampleRateHz));

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < _taps.Length; lane++)
        {
            var samples = signal.Lane(lane, frames);
            for (var i = 0; i < frames; i++)
                samples[i] += _wet * (_taps[lane].Next(samples[i]) - samples[i]);
        }
    }

    public void Reset()
    {
        foreach (var tap in _taps)
            tap.Reset();
    }

    private sealed class Tap(int frames, float feedback, IReadOnlyList<Biquad> loop)
    {
        // One frame of the way round is the return of the loop itself.
        private readonly DelayLine _line = new(frames - 1);
        private readonly FilterCascade _loop = new(loop);
        private float _late;

        public float Next(float sample)
        {
            var heard = _late;
            _late = _line.Next(sample + feedback * (float)_loop.Next(heard));
            return heard;
        }

        public void Reset()
        {
            _line.Reset();
            _loop.Reset();
            _late = 0;
        }
    }
}
