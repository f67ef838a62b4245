namespace HomeStage.Core.Sound.Instruments;

/// <summary>A note where it sounds in a render.</summary>
/// <param name="StartFrame">From the start of the render, at least 0.</param>
/// <param name="EndFrame">When it is let go; above the start.</param>
/// <param name="Number">MIDI note number.</param>
/// <param name="Velocity">In [1, 127].</param>
/// <param name="Ordinal">Its place among the notes of the instrument; makes chance repeatable.</param>
public readonly record struct NoteEvent(long StartFrame, long EndFrame, int Number, int Velocity, int Ordinal)
{
    /// <summary>Hz in equal temperament, A above middle C at 440.</summary>
    public double FrequencyHz => 440 * Math.Pow(2, (Number - 69) / 12.0);

    /// <summary>Amplitude by velocity: 1 at 127, about −12 dB at half of it.</summary>
    public double Strength => Math.Pow(Velocity / 127.0, 2);
}
