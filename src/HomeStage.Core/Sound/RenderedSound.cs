using HomeStage.Core.Sound.Meters;

namespace HomeStage.Core.Sound;

/// <summary>Two lanes of sound, and what the meters read once it is finished.</summary>
/// <param name="Left">Samples, unity at ±1.</param>
/// <param name="Right">As many as <paramref name="Left"/>.</param>
/// <param name="LatencyFrames">How late the listening point was; already taken off.</param>
public sealed record RenderedSound(float[] Left, float[] Right, int SampleRateHz, int LatencyFrames)
{
    /// <summary>Null while the render goes on.</summary>
    public SoundMeters? Meters { get; init; }

    /// <summary>The channels on the way to the listening point, in the template's order; none while the render goes on.</summary>
    public Sequence<ChannelMeters> Channels { get; init; } = [];

    /// <summary>Frames for which one of <see cref="ReductionsDb"/> stands.</summary>
    public const int ReductionFrames = 256;

    /// <summary>By how much the insert that is listened after turned the sound down, in dB, the largest within each <see cref="ReductionFrames"/>; none
    /// for other listening points, for what never does, and while the render goes on.</summary>
    public Sequence<float> ReductionsDb { get; init; } = [];

    /// <summary>How many of them came from tape, because nothing in them had changed.</summary>
    public int ChannelsFromTape { get; init; }

    public double Seconds => (double)Left.Length / SampleRateHz;

    /// <summary>Integrated; null where it cannot be measured.</summary>
    public double? LoudnessLufs => Meters?.LoudnessLufs;

    /// <summary>Largest sample; null for silence.</summary>
    public double? PeakDbfs => Meters?.Whole?.PeakDbfs;

    /// <summary>Largest value at and between the samples; null for silence.</summary>
    public double? TruePeakDbtp => Meters?.TruePeakDbtp;
}
