namespace HomeStage.Core.Sound.Meters;

/// <summary>All that the meters read of one signal.</summary>
/// <param name="LoudnessLufs">Integrated; null where it cannot be measured.</param>
/// <param name="RangeLu">Null where there are no 3 s.</param>
/// <param name="LoudestMomentaryLufs">Null where there are no 400 ms.</param>
/// <param name="LoudestShortTermLufs">Null where there are no 3 s.</param>
/// <param name="TruePeakDbtp">Null for silence.</param>
/// <param name="Whole">Peak, RMS, crest and correlation; null for silence.</param>
/// <param name="OverTime">Momentary loudness at equal distances from start to end, in LUFS, −70 at least; thinned for drawing.</param>
/// <param name="ThirdOctavesDb">By <see cref="ThirdOctaves.CentresHz"/>; null for silence and for what is too short.</param>
public sealed record SoundMeters(
    double? LoudnessLufs, double? RangeLu, double? LoudestMomentaryLufs, double? LoudestShortTermLufs, double? TruePeakDbtp,
    ChannelReading? Whole, Sequence<double> OverTime, Sequence<double>? ThirdOctavesDb)
{
    public static SoundMeters Of(ReadOnlySpan<float> left, ReadOnlySpan<float> right, int sampleRateHz)
    {
        var bridge = new MeterBridge(2, sampleRateHz);
        bridge.Add(left, right);
        return bridge.Read();
    }
}

/// <summary>What a channel gave during a render.</summary>
/// <param name="Reading">After its fader where it is heard there, else before it; null for silence.</param>
/// <param name="Reductions">By dynamics insert: how far it turned the channel down at most.</param>
public sealed record ChannelMeters(ChannelId Channel, ChannelReading? Reading, Sequence<InsertReduction> Reductions)
{
    /// <summary>All meters, where the render was asked for them; a mono channel is read as one lane.</summary>
    public SoundMeters? Full { get; init; }
}

/// <param name="LargestDb">At least 0.</param>
public sealed record InsertReduction(InsertId Insert, double LargestDb);
