using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>The pitch of one voice, as it goes.</summary>
/// <remarks>A. de Cheveigné and H. Kawahara, "YIN, a fundamental frequency estimator for speech and music", J. Acoust. Soc. Am.
/// 111(4), 2002: the difference function, normalised by its running mean, its first dip under 0.15, and a parabola through it.
/// It listens at a quarter of the sample rate, below 2.5 kHz, every 5.3 ms, for pitches from 70 to 1,000 Hz.</remarks>
public sealed class PitchFinder
{
    private const int Quarter = 4;
    private const int HopFrames = 256;
    private const double LowestHz = 70;
    private const double HighestHz = 1000;
    private const double Clear = 0.15;

    private readonly FilterCascade _cut;
    private readonly double _rateHz;
    private readonly int _longest;
    private readonly int _shortest;
    private readonly float[] _heard;
    private readonly double[] _difference;
    private int _place;
    private int _frame;
    private double _hz;

    public PitchFinder(int sampleRateHz)
    {
        _rateHz = (double)sampleRateHz / Quarter;
        _cut = new(
        [
            FilterDesign.HighCut(2500, sampleRateHz, 1 / (2 * Math.Cos(Math.PI / 8))),
            FilterDesign.HighCut(2500, sampleRateHz, 1 / (2 * Math.Cos(3 * Math.PI / 8))),
        ]);
        _longest = (int)(_rateHz / LowestHz) + 1;
        _shortest = (int)(_rateHz / HighestHz);
        _heard = new float[3 * _longest];
        _difference = new double[_longest + 1];
    }

    /// <returns>Hz of what was heard last; 0 where it has no pitch.</returns>
    public double Next(float sample)
    {
        var dull = (float)_cut.Next(sample);
        if (_frame % Quarter == 0)
        {
            _heard[_place] = dull;
            _place = _place + 1 == _heard.Length ? 0 : _place + 1;
        }

        if (++_frame == HopFrames)
        {
            _frame = 0;
            _hz = Find();
        }

        return _hz;
    }

    public void Reset()
    {
        Array.Clear(_heard);
        _cut.Reset();
        (_place, _frame, _hz) = (0, 0, 0);
    }

    private double Find()
    {
        // Oldest first: twice the longest period is compared with itself a lag later.
        Span<float> heard = stackalloc float[_heard.Length];
        _heard.AsSpan(_place).CopyTo(heard);
        _heard.AsSpan(0, _place).CopyTo(heard[(_heard.Length - _place)..]);
        if (System.Numerics.Tensors.TensorPrimitives.MaxMagnitude<float>(heard) is > -1e-4f and < 1e-4f)
            return 0;
        var mean = 0.0;
        for (var lag = 1; lag <= _longest; lag++)
        {
            var distance = System.Numerics.Tensors.TensorPrimitives.Distance<float>(heard[..(2 * _longest)], heard.Slice(lag, 2 * _longest));
            mean += (double)distance * distance;
            _difference[lag] = mean > 0 ? (double)distance * distance * lag / mean : 1;
        }

        for (var lag = _shortest; lag < _longest; lag++)
            if (_difference[lag] < Clear && _difference[lag] <= _difference[lag + 1])
                return _rateHz / (lag + Between(_difference[lag - 1], _difference[lag], _difference[lag + 1]));
        return 0;
    }

    /// <summary>Where a parabola through three neighbours is lowest, from the middle one.</summary>
    private static double Between(double before, double at, double after)
    {
        var bend = before - 2 * at + after;
        return bend > 0 ? Math.Clamp((before - after) / (2 * bend), -0.5, 0.5) : 0;
    }
}
