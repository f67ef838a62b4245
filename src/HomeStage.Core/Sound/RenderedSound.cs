namespace HomeStage.Core.Sound;

/// <summary>Two lanes of finished sound and what the meters read.</summary>
/// <param name="Left">Samples, unity at ±1.</param>
/// <param name="Right">As many as <paramref name="Left"/>.</param>
/// <param name="LoudnessLufs">Integrated; null where it cannot be measured.</param>
/// <param name="PeakDbfs">Largest sample; null for silence.</param>
/// <param name="LatencyFrames">How late the listening point was; already taken off.</param>
public sealed record RenderedSound(
    float[] Left, float[] Right, int SampleRateHz, double? LoudnessLufs, double? PeakDbfs, int LatencyFrames)
{
    /// <summary>Largest value between the samples; null for silence, or where it was not measured.</summary>
    public double? TruePeakDbtp { get; init; }

    public double Seconds => (double)Left.Length / SampleRateHz;
}
