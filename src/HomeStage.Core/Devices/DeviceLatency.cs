namespace HomeStage.Core.Devices;

/// <summary>By how much a device is late.</summary>
/// <param name="Frames">In [0, 10,000,000].</param>
/// <param name="RateHz">Frames a second at which that holds, in [8,000, 768,000].</param>
public sealed record DeviceLatency(int Frames, int RateHz)
{
    public const int MostFrames = 10_000_000;
    public const int SlowestRateHz = 8000;
    public const int FastestRateHz = 768_000;

    public double Milliseconds => 1000.0 * Frames / RateHz;

    /// <returns>Frames at another rate: as many where it is the same, else the nearest to the same time.</returns>
    public int FramesAt(int rateHz) => rateHz == RateHz ? Frames : (int)Math.Round((double)Frames * rateHz / RateHz);
}
