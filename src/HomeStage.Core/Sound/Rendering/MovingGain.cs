namespace HomeStage.Core.Sound.Rendering;

/// <summary>A gain that follows a curve: worked out at every 64th frame, straight between.</summary>
/// <param name="origin">A frame that is one of them, so that what is late or begins later goes by the same places of the curve.</param>
internal sealed class MovingGain(Func<long, double> at, long origin)
{
    /// <summary>Frames between two values.</summary>
    public const int Grid = 64;

    /// <param name="frame">Frame of the first gain, counted from the start of the render; may lie before it.</param>
    public void Fill(long frame, Span<float> gains)
    {
        for (var i = 0; i < gains.Length;)
        {
            var corner = FloorToGrid(frame + i - origin) + origin;
            var (from, to) = ((float)at(corner), (float)at(corner + Grid));
            for (; i < gains.Length && frame + i < corner + Grid; i++)
                gains[i] = from + (to - from) * (frame + i - corner) / Grid;
        }
    }

    /// <returns>The last frame of the grid that is not after it.</returns>
    public static long FloorToGrid(long frame) => frame - ((frame % Grid) + Grid) % Grid;
}
