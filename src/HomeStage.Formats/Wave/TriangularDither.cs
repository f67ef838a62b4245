using HomeStage.Core.Sound.Instruments;

namespace HomeStage.Formats.Wave;

/// <summary>Dither with a triangular density, 2 LSB from end to end: the sum of two even ones.</summary>
internal struct TriangularDither(uint seed)
{
    private Noise _first = new(seed);
    private Noise _second = new(seed + 1);

    /// <returns>In (−1, 1) LSB.</returns>
    public double Next() => (_first.Next() + _second.Next()) / 2.0;
}
