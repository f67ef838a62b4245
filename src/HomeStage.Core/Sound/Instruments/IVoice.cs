namespace HomeStage.Core.Sound.Instruments;

/// <summary>One sounding note, a chunk at a time.</summary>
public interface IVoice
{
    /// <summary>Frames of a chunk. A voice always works out whole chunks from its start, whatever the blocks of a render.</summary>
    const int Chunk = 64;

    /// <summary>How long it can be heard, from its start.</summary>
    long LengthFrames { get; }

    /// <summary>The next chunk, in place of what the two sides hold. A mono sound gives the same on both.</summary>
    /// <param name="left"><see cref="Chunk"/> frames.</param>
    /// <param name="right"><see cref="Chunk"/> frames.</param>
    void Next(Span<float> left, Span<float> right);
}
