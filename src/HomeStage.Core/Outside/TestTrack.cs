namespace HomeStage.Core.Outside;

/// <summary>What one channel gives in the test: as it is rendered here, or as it was recorded elsewhere.</summary>
public sealed record TestTrack(Contour Contour, ITestTape Tape);

/// <summary>A recording that came back.</summary>
/// <param name="Name">Of its file.</param>
/// <param name="SampleRateHz">Of its file; the track has that of the reference.</param>
public sealed record Recording(string Name, int SampleRateHz, TestTrack Track)
{
    public double Seconds => Track.Contour.LengthSeconds;
}
