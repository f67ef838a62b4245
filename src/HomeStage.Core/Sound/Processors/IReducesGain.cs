namespace HomeStage.Core.Sound.Processors;

/// <summary>A processor that turns its signal down, and can say by how much.</summary>
public interface IReducesGain
{
    /// <summary>How far the gain is down after the last frame, in dB, at least 0.</summary>
    float LastReductionDb { get; }

    /// <summary>How far it was down at most within the last block, in dB, at least 0.</summary>
    float LargestReductionDb { get; }
}
