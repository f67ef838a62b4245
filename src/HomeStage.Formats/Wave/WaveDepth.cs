namespace HomeStage.Formats.Wave;

/// <summary>How samples are written.</summary>
public enum WaveDepth
{
    /// <summary>16-bit integers with triangular dither of 2 LSB peak to peak.</summary>
    Int16,

    /// <summary>24-bit integers with triangular dither of 2 LSB peak to peak.</summary>
    Int24,

    /// <summary>32-bit floating point, as it was computed.</summary>
    Float32,
}
