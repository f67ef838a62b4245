namespace HomeStage.Core.Sound;

/// <summary>Told of a render while it goes on.</summary>
public interface IRenderWatcher
{
    /// <param name="sound">The lanes that are being filled; its meters come at the end.</param>
    /// <param name="frames">How many are final, from the start.</param>
    void OnFrames(RenderedSound sound, int frames);
}
