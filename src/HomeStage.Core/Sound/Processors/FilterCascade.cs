using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Second-order sections in a row on one lane, in double precision (transposed direct form II).</summary>
public sealed class FilterCascade(IReadOnlyList<Biquad> sections)
{
    private readonly Biquad[] _sections = [.. sections];
    private readonly double[] _first = new double[sections.Count];
    private readonly double[] _second = new double[sections.Count];

    public void Process(Span<float> lane)
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

            // A tail that has died is silence; numbers near zero would slow the processor down for nothing.
            _first[s] = Math.Abs(z1) < 1e-30 ? 0 : z1;
            _second[s] = Math.Abs(z2) < 1e-30 ? 0 : z2;
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

        return x;
    }

    public void Reset()
    {
        Array.Clear(_first);
        Array.Clear(_second);
    }
}
