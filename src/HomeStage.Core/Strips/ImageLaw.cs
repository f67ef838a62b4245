namespace HomeStage.Core.Strips;

/// <summary>Middle and sides of a stereo picture.</summary>
public static class ImageLaw
{
    /// <returns>M = (L + R) / 2 and S = (L − R) / 2.</returns>
    public static (float Middle, float Side) Apart(float left, float right) => ((left + right) / 2, (left - right) / 2);

    /// <returns>L = M + S and R = M − S.</returns>
    public static (float Left, float Right) Together(float middle, float side) => (middle + side, middle - side);
}
