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

    /// <summary>What a driven loop makes of what goes round: quiet repeats as they are, loud ones bent and held below 1 / drive.</summary>
    /// <param name="drive">At least 1, as a factor; 1 leaves all as it is.</param>
    public static float Driven(float round, float drive) => drive > 1 ? SaturatorLaw.Curve(drive * round) / drive : round;

    /// <summary>How often a sound comes back before it is 60 dB quieter: 60 / (−20·log10 f).</summary>
    /// <param name="feedback">In [0, 1).</param>
    /// <returns>0 where nothing goes round.</returns>
    public static int RepeatsToSilence(double feedback) => feedback <= 0 ? 0 : (int)Math.Ceiling(60 / (-20 * Math.Log10(feedback)) - 1e-9);
}
