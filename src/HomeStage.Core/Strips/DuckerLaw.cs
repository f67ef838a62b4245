using HomeStage.Core.Automation;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Strips;

/// <summary>How far the note-driven ducker goes down, and when.</summary>
public static class DuckerLaw
{
    /// <summary>Time in which a restart glides to the curve, so that nothing clicks.</summary>
    public const double GlideMs = 2;

    /// <returns>Frames of the whole curve.</returns>
    public static double LengthFrames(double lengthQuarters, double tempoBpm, int sampleRateHz) => NoteValue.Milliseconds(lengthQuarters, tempoBpm) / 1000 * sampleRateHz;

    /// <summary>Between two restarts the curve runs to its end and stays there.</summary>
    /// <param name="curve">Shares of the depth over its length: 1 is all the way down.</param>
    /// <param name="passed">Share of the curve's length since the last restart, at least 0.</param>
    /// <returns>dB taken off.</returns>
    public static double ReductionDb(Sequence<ShapePoint> curve, double passed, double depthDb) => depthDb * ShapePoint.At(curve, Math.Min(1, passed));
}
