using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Meters;

/// <summary>What the meters read of the listening point, and of every channel on the way there.</summary>
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
    private const int MostPoints = 300;
    private const double Floor = -70;
    private const int Stretch = 4096;

    public static SoundMeters Of(ReadOnlySpan<float> left, ReadOnlySpan<float> right, int sampleRateHz)
    {
        var (loudness, truePeak, octaves, whole) = (new LoudnessMeter(2, sampleRateHz), new TruePeakMeter(2), new ThirdOctaves(sampleRateHz), new ChannelMeter());
        var block = new SignalBlock(2, Stretch);
        for (var start = 0; start < left.Length; start += Stretch)
        {
            var frames = Math.Min(Stretch, left.Length - start);
            left.Slice(start, frames).CopyTo(block.Lane(0, frames));
            right.Slice(start, frames).CopyTo(block.Lane(1, frames));
            loudness.Add(block, frames);
            truePeak.Add(block, frames);
            octaves.Add(block, frames);
            whole.Add(block.Lane(0, frames), block.Lane(1, frames));
        }

        truePeak.End();
        var read = whole.Read();
        return new(
            loudness.IntegratedLufs, loudness.RangeLu, loudness.LoudestMomentaryLufs, loudness.LoudestShortTermLufs, truePeak.TruePeakDbtp,
            read, OverTimeOf(loudness), read is null ? null : octaves.LevelsDb()?.ToSequence());
    }

    private static Sequence<double> OverTimeOf(LoudnessMeter loudness)
    {
        var points = Math.Min(MostPoints, loudness.Hops);
        return Enumerable.Range(0, points)
            .Select(i => Math.Round(Math.Max(Floor, loudness.MomentaryLufs((int)((long)(i + 1) * loudness.Hops / points) - 1)), 1))
            .ToSequence();
    }
}

/// <summary>What a channel gave during a render.</summary>
/// <param name="Reading">After its fader where it is heard there, else before it; null for silence.</param>
/// <param name="Reductions">By dynamics insert: how far it turned the channel down at most.</param>
public sealed record ChannelMeters(ChannelId Channel, ChannelReading? Reading, Sequence<InsertReduction> Reductions);

/// <param name="LargestDb">At least 0.</param>
public sealed record InsertReduction(InsertId Insert, double LargestDb);
