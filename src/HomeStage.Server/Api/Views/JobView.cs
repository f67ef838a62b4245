using HomeStage.Server.Jobs;

namespace HomeStage.Server.Api.Views;

/// <summary>How far a render or package is.</summary>
/// <param name="Progress">In [0, 1].</param>
/// <param name="TookSeconds">Null until it is done.</param>
/// <param name="Meters">Null until it is done.</param>
public sealed record JobView(string Id, JobState State, double Progress, double? TookSeconds, MeterView? Meters);

/// <param name="LoudnessLufs">Integrated; null where it cannot be measured.</param>
/// <param name="PeakDbfs">Largest sample; null for silence.</param>
/// <param name="TruePeakDbtp">Largest value between samples; null for silence.</param>
/// <param name="Outline">The waveform as pairs of lowest and highest sample over equal stretches, for drawing.</param>
public sealed record MeterView(double? LoudnessLufs, double? PeakDbfs, double? TruePeakDbtp, double Seconds, IReadOnlyList<float> Outline);
