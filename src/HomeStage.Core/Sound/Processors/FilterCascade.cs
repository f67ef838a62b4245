using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Second-order sections in a row on one lane, in double precision (transposed direct form II).</summary>
public sealed class FilterCascade(IReadOnlyList<Biquad> sections)
{
    // A tail below this is silence; numbers near zero would slow the processor down for nothing.
    private const double Dead = 1e-20;
    private const int RestEvery = 256;

    private readonly Biquad[] _sections = [.. sections];
    private readonly double[] _first = new double[sections.Count];
    private readonly double[] _second = new double[sections.Count];
    private int _sinceRest;

    public void Process(Span<float> lane)
    {
        // What has died is laid to rest at fixed frames, so that the block size changes nothing.
        for (var done = 0; done < lane.Length;)
        {
            var stretch = Math.Min(RestEvery - _sinceRest, lane.Length - done);
            ProcessStretch(lane.Slice(done, stretch));
            done += stretch;
            _sinceRest += stretch;
            if (_sinceRest == RestEvery)
                Rest();
        }
    }

    /// <summary>One sample through all sections.</summary>
    public double Next(double x)
    {
        for (var s = 0; s < _sections.Length; s++)
        {
            var (b0, b1, b2, a1, a2) = _sections[s];
            var y = b0 * x + _first[s];
            _first[s] = b1 * x - a1 * y + _second[s];
            _second[s] = b2 * x - a2 * y;
            x = y;
        }

        if (++_sinceRest == RestEvery)
            Rest();
        return x;
    }

    /// <summary>Other sections in the same places, as many; what they remember stays.</summary>
    public void Retune(IReadOnlyList<Biquad> sections)
    {
        for (var s = 0; s < _sections.Length; s++)
            _sections[s] = sections[s];
    }

    public void Reset()
    {
        Array.Clear(_first);
        Array.Clear(_second);
        _sinceRest = 0;
    }

    private void ProcessStretch(Span<float> lane)
    {
        for (var s = 0; s < _sections.Length; s++)
        {
            var (b0, b1, b2, a1, a2) = _sections[s];
            var (z1, z2) = (_first[s], _second[s]);
            for (var i = 0; i < lane.Length; i++)
            {
                double x = lane[i];
                var y = b0 * x + z1;
                z1 = b1 * x - a1 * y + z2;
                z2 = b2 * x - a2 * y;
                lane[i] = (float)y;
            }

            (_first[s], _second[s]) = (z1, z2);
        }
    }

    private void Rest()
    {
        _sinceRest = 0;
        for (var s = 0; s < _sections.Length; s++)
        {
            if (Math.Abs(_first[s]) < Dead)
                _first[s] = 0;
            if (Math.Abs(_second[s]) < Dead)
                _second[s] = 0;
        }
    }
}
