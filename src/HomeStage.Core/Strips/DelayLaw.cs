using HomeStage.Core.Timing;

namespace HomeStage.Core.Strips;

/// <summary>Where a tap stands.</summary>
public static class DelayLaw
{
    /// <summary>Time in which a tap moves to its new place when the tempo changes.</summary>
    public const double MoveMs = 20;

    /// <returns>Frames of a note value, at least 1.</returns>
    public static int Frames(double quarters, double tempoBpm, int sampleRateHz) =>
        Math.Max(1, (int)Math.Round(NoteValue.Milliseconds(quarters, tempoBpm) / 1000 * sampleRateHz));
}
