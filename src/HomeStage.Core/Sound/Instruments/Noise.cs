namespace HomeStage.Core.Sound.Instruments;

/// <summary>Repeatable white noise in [−1, 1).</summary>
/// <remarks>Marsaglia, "Xorshift RNGs", J. Stat. Soft. 8(14), 2003: the 32-bit form with shifts 13, 17, 5.</remarks>
public struct Noise(uint seed)
{
    // A state of zero would stay there for ever.
    private uint _state = (seed * 2654435761u) | 1u;

    public float Next()
    {
        _state ^= _state << 13;
        _state ^= _state >> 17;
        _state ^= _state << 5;
        return (int)_state / 2147483648f;
    }

    /// <summary>What keeps a band of noise as loud at every rate: its power spreads up to half of it.</summary>
    public static double RateGain(int sampleRateHz) => Math.Sqrt(sampleRateHz / 48000.0);
}
