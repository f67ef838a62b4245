namespace HomeStage.Core.Sound.Processors;

/// <summary>A processor that counts in note values.</summary>
public interface IFollowsTempo
{
    /// <summary>The tempo from the next frame on.</summary>
    void SetTempo(double tempoBpm);
}
