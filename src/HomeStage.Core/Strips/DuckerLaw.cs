using HomeStage.Core.Automation;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Strips;

/// <summary>How far the note-driven ducker goes down, and when.</summary>
public static class DuckerLaw
{
    /// <summary>How long before a hit it begins to go where the curve starts, so that it is there at the hit and nothing clicks: what plays is
    /// known before it comes.</summary>
    public const double GlideMs = 2;

    /// <summary>How near to rest counts as back, whichever way it works: a quarter of the depth, at most 1 dB.</summary>
    public static double NearRestDb(double depthDb) => Math.Min(1, depthDb / 4);

    /// <returns>Frames of the whole curve.</returns>
    public static double LengthFrames(double lengthQuarters, double tempoBpm, int sampleRateHz) => NoteValue.Milliseconds(lengthQuarters, tempoBpm) / 1000 * sampleRateHz;

    /// <summary>On the way to the next hit, in half a cosine.</summary>
    /// <param name="nowDb">What the curve of the hit before takes off.</param>
    /// <param name="startDb">What the curve takes off where it starts.</param>
    /// <param name="share">Of the glide that is over, in [0, 1].</param>
    /// <returns>dB taken off.</returns>
    public static double GlidingDb(double nowDb, double startDb, double share) => nowDb + (startDb - nowDb) * (0.5 - 0.5 * Math.Cos(Math.PI * share));

    /// <summary>Between two restarts the curve runs to its end and stays there.</summary>
    /// <param name="curve">Shares of the depth over its length: 1 is all the way down.</param>
    /// <param name="passed">Share of the curve's length since the last restart, at least 0.</param>
    /// <returns>dB taken off.</returns>
    public static double ReductionDb(Sequence<ShapePoint> curve, double passed, double depthDb) => depthDb * ShapePoint.At(curve, Math.Min(1, passed));
}
