using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>What one thread does on its own: the player of an instrument, or a channel from its sum to its fader.</summary>
internal interface IUnit
{
    /// <summary>Works out the next frames of its outputs, from their start.</summary>
    /// <param name="frame">Frame of the first, counted from the start of the render; may lie before it.</param>
    /// <param name="frames">At most <see cref="Pace.StretchFrames"/>.</param>
    void Render(long frame, int frames);
}
