namespace HomeStage.Core.Sound;

/// <summary>Takes stems as they are rendered, stretch by stretch in order of time.</summary>
public interface IStemSink
{
    /// <param name="stem">Its place among those that were asked for.</param>
    /// <param name="left">Samples, unity at ±1.</param>
    /// <param name="right">As many; none for a stem of one lane.</param>
    void Take(int stem, ReadOnlySpan<float> left, ReadOnlySpan<float> right);
}
