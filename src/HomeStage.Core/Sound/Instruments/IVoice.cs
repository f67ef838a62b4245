namespace HomeStage.Core.Sound.Instruments;

/// <summary>One sounding note, a sample at a time.</summary>
public interface IVoice
{
    /// <summary>How long it can be heard, from its start.</summary>
    long LengthFrames { get; }

    /// <summary>Which output of the instrument it leaves by, from 1.</summary>
    int Output { get; }

    /// <summary>The next frame. A mono sound gives the same on both sides.</summary>
    (float Left, float Right) Next();
}
