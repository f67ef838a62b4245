namespace HomeStage.Core.Sound.Rendering;

/// <summary>What one thread does on its own: the player of an instrument, or a channel from its sum to its fader.</summary>
internal interface IUnit
{
    /// <summary>Most frames of a stretch.</summary>
    const int Stretch = 2048;

    /// <summary>Frames that go through a strip at once, so that they stay near the processor.</summary>
    const int Block = 256;

    /// <summary>Works out the next frames of its outputs, from their start.</summary>
    /// <param name="frame">Frame of the first, counted from the start of the render; may lie before it.</param>
    /// <param name="frames">At most <see cref="Stretch"/>.</param>
    void Render(long frame, int frames);
}
