using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Two taps in note values, each repeating into itself, or into the other one, through a low and a high cut and a drive.</summary>
/// <remarks>With ping-pong on, the middle of the sound enters the left line alone and each line repeats into the other. When
/// the tempo changes, the taps move to their new places over 20 ms.</remarks>
public sealed class DelayProcessor : IProcessor, IFollowsTempo
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Delay)!;

    private const float Dead = 1e-15f;

    private readonly double[] _quarters;
    private readonly int _sampleRateHz;
    private readonly Line[] _lines;
    private float _feedback;
    private float _drive;
    private float _wet;
    private float _width;
    private bool _crosses;
    private double _tempoBpm;
    private readonly double _firstTempoBpm;

    /// <param name="tempoBpm">The tempo by which note values are counted.</param>
    public DelayProcessor(Map<double> settings, int lanes, int sampleRateHz, double tempoBpm)
    {
        double Value(string id) => Kind.Value(settings, id);
        (_sampleRateHz, _firstTempoBpm, _tempoBpm) = (sampleRateHz, tempoBpm, tempoBpm);
        _quarters = [Value("left-quarters"), Value("right-quarters")];
        var move = Math.Max(1, (int)(DelayLaw.MoveMs / 1000 * sampleRateHz));
        _lines = [.. _quarters.Take(lanes).Select(q => new Line(DelayLaw.Frames(q, tempoBpm, sampleRateHz), move, Loop(settings)))];
        Retune(settings);
    }

    public void Retune(Map<double> settings)
    {
        double Value(string id) => Kind.Value(settings, id);
        _feedback = (float)(Value("feedback-percent") / 100);
        _drive = (float)Math.Pow(10, Value("drive-db") / 20);
        _wet = (float)(Value("wet-percent") / 100);
        _width = (float)(Value("width-percent") / 100);
        _crosses = _lines.Length == 2 && Value("ping-pong") >= 0.5;
        (_quarters[0], _quarters[1]) = (Value("left-quarters"), Value("right-quarters"));
        var loop = Loop(settings);
        for (var lane = 0; lane < _lines.Length; lane++)
        {
            _lines[lane].MoveTo(DelayLaw.Frames(_quarters[lane], _tempoBpm, _sampleRateHz));
            _lines[lane].Retune(loop);
        }
    }

    public void SetTempo(double tempoBpm)
    {
        if (tempoBpm == _tempoBpm)
            return;
        _tempoBpm = tempoBpm;
        for (var lane = 0; lane < _lines.Length; lane++)
            _lines[lane].MoveTo(DelayLaw.Frames(_quarters[lane], tempoBpm, _sampleRateHz));
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        if (_lines.Length == 1)
            ProcessMono(signal.Lane(0, frames));
        else
            ProcessStereo(signal.Lane(0, frames), signal.Lane(1, frames));
    }

    public void Reset()
    {
        _tempoBpm = _firstTempoBpm;
        for (var lane = 0; lane < _lines.Length; lane++)
            _lines[lane].Reset(DelayLaw.Frames(_quarters[lane], _tempoBpm, _sampleRateHz));
    }

    private Biquad[] Loop(Map<double> settings) =>
        [FilterDesign.LowCut(Kind.Value(settings, "low-cut-hz"), _sampleRateHz), FilterDesign.HighCut(Kind.Value(settings, "high-cut-hz"), _sampleRateHz)];

    private float Round(Line line, float heard) => _feedback * DelayLaw.Driven(line.Filtered(heard), _drive);

    private void ProcessMono(Span<float> samples)
    {
        foreach (ref var sample in samples)
        {
            var heard = _lines[0].Heard();
            _lines[0].Put(sample + Round(_lines[0], heard));
            sample += _wet * (heard - sample);
        }
    }

    private void ProcessStereo(Span<float> left, Span<float> right)
    {
        for (var i = 0; i < left.Length; i++)
        {
            var (l, r) = (_lines[0].Heard(), _lines[1].Heard());
            var (againL, againR) = (Round(_lines[0], l), Round(_lines[1], r));
            if (_crosses)
                (againL, againR) = ((left[i] + right[i]) / 2 + againR, againL);
            else
                (againL, againR) = (left[i] + againL, right[i] + againR);
            _lines[0].Put(againL);
            _lines[1].Put(againR);
            var (middle, side) = ((l + r) / 2, _width * (l - r) / 2);
            left[i] += _wet * (middle + side - left[i]);
            right[i] += _wet * (middle - side - right[i]);
        }
    }

    private sealed class Line(int late, int moveFrames, IReadOnlyList<Biquad> loop)
    {
        private readonly MovingTap _tap = new(late, moveFrames);
        private readonly FilterCascade _loop = new(loop);

        public float Heard() => _tap.Heard();

        public float Filtered(float heard) => (float)_loop.Next(heard);

        // A repeat this quiet is over; numbers near zero would slow the processor down for nothing.
        public void Put(float sample) => _tap.Put(Math.Abs(sample) < Dead ? 0 : sample);

        public void MoveTo(int late) => _tap.MoveTo(late);

        public void Retune(IReadOnlyList<Biquad> loop) => _loop.Retune(loop);

        public void Reset(int late)
        {
            _tap.Reset(late);
            _loop.Reset();
        }
    }
}
