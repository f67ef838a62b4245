using HomeStage.Core.Sound.Meters;
using HomeStage.Formats.Wave;
using HomeStage.Server.Jobs;

namespace HomeStage.Server.Api.Views;

/// <summary>How far a job is.</summary>
/// <param name="WorkId">The same for all jobs that have the same result.</param>
/// <param name="Progress">In [0, 1].</param>
/// <param name="TookSeconds">Null until it is done.</param>
/// <param name="SampleRateHz">Null until there is some sound.</param>
/// <param name="Frames">How many frames it will have; null until there is some sound.</param>
/// <param name="Meters">Null until it is done.</param>
public sealed record JobView(
    string Id, string WorkId, JobState State, double Progress, double? TookSeconds, int? SampleRateHz = null, int? Frames = null, MeterView? Meters = null)
{
    /// <summary>For a finished package without any sound: why, in sentences; null otherwise.</summary>
    public IReadOnlyList<string>? SilentBecause { get; init; }

    /// <summary>What went over full scale in a finished package or in stems; null for other work, and until it is done.</summary>
    public IReadOnlyList<CutSound>? Cut { get; init; }

    /// <param name="result">What a finished job has made; null where it is not finished.</param>
    public static JobView Of(JobStanding job, object? result = null) =>
        new(job.Id, job.WorkId, job.State, job.Progress, job.Seconds) { SilentBecause = (result as SongZip)?.SilentBecause, Cut = (result as ZipOnDisk)?.Cut };
}

/// <param name="LoudnessLufs">Integrated; null where it cannot be measured.</param>
/// <param name="RangeLu">Loudness range; null where there are no 3 s.</param>
/// <param name="LoudestMomentaryLufs">Over 400 ms; null where there are none.</param>
/// <param name="LoudestShortTermLufs">Over 3 s; null where there are none.</param>
/// <param name="PeakDbfs">Largest sample; null for silence.</param>
/// <param name="TruePeakDbtp">Largest value between samples; null for silence.</param>
/// <param name="RmsDbfs">Of both sides; null for silence.</param>
/// <param name="CrestDb">Peak over RMS; null for silence.</param>
/// <param name="Correlation">Of the two sides, in [−1, 1]; null for silence.</param>
/// <param name="Outline">The waveform as pairs of lowest and highest sample over equal stretches, for drawing.</param>
/// <param name="LoudnessOverTime">Momentary loudness over equal stretches, in LUFS, −70 at least.</param>
/// <param name="ThirdOctavesDb">The mean spectrum in bands from 25 Hz to 20 kHz; null for silence and for what is too short.</param>
/// <param name="Channels">What every channel on the way gave.</param>
/// <param name="ReductionsDb">What the insert that is listened after took off, in dB, over equal stretches; none for other listening points.</param>
/// <param name="ReductionSeconds">How long such a stretch is.</param>
/// <param name="ChannelsFromTape">How many of them came from tape, because nothing in them had changed.</param>
public sealed record MeterView(
    double? LoudnessLufs, double? RangeLu, double? LoudestMomentaryLufs, double? LoudestShortTermLufs, double? PeakDbfs, double? TruePeakDbtp,
    double? RmsDbfs, double? CrestDb, double? Correlation, double Seconds, IReadOnlyList<float> Outline, IReadOnlyList<double> LoudnessOverTime,
    IReadOnlyList<double>? ThirdOctavesDb, IReadOnlyList<ChannelMeterView> Channels, int ChannelsFromTape,
    IReadOnlyList<double> ReductionsDb, double ReductionSeconds)
{
    /// <param name="audio">A finished render.</param>
    public static MeterView Of(RenderedAudio audio)
    {
        var meters = audio.Sound.Meters ?? throw new ArgumentException("The render is not finished.", nameof(audio));
        return new(
            meters.LoudnessLufs, meters.RangeLu, meters.LoudestMomentaryLufs, meters.LoudestShortTermLufs, meters.Whole?.PeakDbfs, meters.TruePeakDbtp,
            meters.Whole?.RmsDbfs, meters.Whole?.CrestDb, meters.Whole?.Correlation, audio.Sound.Seconds, audio.Outline, meters.OverTime, meters.ThirdOctavesDb,
            [.. audio.Sound.Channels.Select(c => new ChannelMeterView(
                c.Channel, c.Reading?.PeakDbfs, c.Reading?.RmsDbfs, c.Reading?.CrestDb, c.Reading?.Correlation,
                [.. c.Reductions.Select(r => new ReductionView(r.Insert, Math.Round(r.LargestDb, 2)))], FullMeterView.Of(c.Full)))],
            audio.Sound.ChannelsFromTape, [.. audio.Sound.ReductionsDb.Select(r => Math.Round(r, 2))], (double)Core.Sound.RenderedSound.ReductionFrames / audio.Sound.SampleRateHz);
    }
}

/// <summary>What a channel gave during a render; nulls for silence.</summary>
/// <param name="Full">Null where the render was not asked for it.</param>
public sealed record ChannelMeterView(
    ChannelId Channel, double? PeakDbfs, double? RmsDbfs, double? CrestDb, double? Correlation, IReadOnlyList<ReductionView> Reductions, FullMeterView? Full);

/// <summary>What the slower meters read of a channel; the units are those of the listening point.</summary>
public sealed record FullMeterView(
    double? LoudnessLufs, double? RangeLu, double? LoudestMomentaryLufs, double? LoudestShortTermLufs, double? TruePeakDbtp,
    IReadOnlyList<double> LoudnessOverTime, IReadOnlyList<double>? ThirdOctavesDb)
{
    public static FullMeterView? Of(SoundMeters? read) => read is null
        ? null
        : new(read.LoudnessLufs, read.RangeLu, read.LoudestMomentaryLufs, read.LoudestShortTermLufs, read.TruePeakDbtp, read.OverTime, read.ThirdOctavesDb);
}

/// <param name="LargestDb">How far the insert turned the channel down at most.</param>
public sealed record ReductionView(InsertId Insert, double LargestDb);
