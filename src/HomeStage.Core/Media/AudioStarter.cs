namespace HomeStage.Core.Media;

/// <summary>Sound that waits on an audio or direct channel: a loop, a one-shot, a reference.</summary>
/// <param name="Name">1 to 80 characters, unique on the channel.</param>
/// <param name="Loops">Whether it repeats to the end of each section in which it plays; otherwise it sounds once, from its start.</param>
/// <param name="Level">In [−∞, +6] dB.</param>
/// <param name="Sections">Ids of the sections in which it plays; empty for all.</param>
public sealed record AudioStarter(string Name, MediaRef Sound, bool Loops, Decibels Level, Sequence<string> Sections)
{
    public const int MostOnAChannel = 32;
    public const int MostQuarters = 256;

    public LoopFit Fit { get; init; }

    /// <summary>Whether it sounds once from the first of its sections on to its own end, over the ends of sections, as a print does.</summary>
    public bool Through { get; init; }

    /// <summary>How many quarter notes the sound is long, where it follows the tempo, in [1, 256].</summary>
    public int Quarters { get; init; } = 4;
}
