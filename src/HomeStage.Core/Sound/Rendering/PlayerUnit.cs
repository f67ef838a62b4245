namespace HomeStage.Core.Sound.Rendering;

/// <summary>The player of an instrument, or of uploaded sound.</summary>
/// <param name="render">Fills the blocks' first frames with the next ones.</param>
internal sealed class PlayerUnit(Action<int> render) : IUnit
{
    public void Render(long frame, int frames) => render(frames);
}
