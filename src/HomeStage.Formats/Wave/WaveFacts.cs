namespace HomeStage.Formats.Wave;

/// <summary>What a WAVE file says of its sound.</summary>
/// <param name="Lanes">1 or 2.</param>
/// <param name="Frames">At least 1.</param>
public sealed record WaveFacts(int SampleRateHz, int Lanes, long Frames);
