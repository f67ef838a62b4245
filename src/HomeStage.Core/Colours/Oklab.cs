namespace HomeStage.Core.Colours;

/// <summary>A colour in a space in which equal distances look about equally far.</summary>
/// <remarks>B. Ottosson, "A perceptual color space for image processing", 2020; matrices as in CSS Color 4's samples, to
/// linear sRGB directly.</remarks>
public readonly record struct Oklab(double Lightness, double A, double B)
{
    public static Oklab Of(Rgb rgb)
    {
        var l = Math.Cbrt(0.4122214708 * rgb.Red + 0.5363325363 * rgb.Green + 0.0514459929 * rgb.Blue);
        var m = Math.Cbrt(0.2119034982 * rgb.Red + 0.6806995451 * rgb.Green + 0.1073969566 * rgb.Blue);
        var s = Math.Cbrt(0.0883024619 * rgb.Red + 0.2817188376 * rgb.Green + 0.6299787005 * rgb.Blue);
        return new(
            0.2104542553 * l + 0.7936177850 * m - 0.0040720468 * s,
            1.9779984951 * l - 2.4285922050 * m + 0.4505937099 * s,
            0.0259040371 * l + 0.7827717662 * m - 0.8086757660 * s);
    }

    public Rgb ToRgb()
    {
        var l = Math.Pow(Lightness + 0.3963377774 * A + 0.2158037573 * B, 3);
        var m = Math.Pow(Lightness - 0.1055613458 * A - 0.0638541728 * B, 3);
        var s = Math.Pow(Lightness - 0.0894841775 * A - 1.2914855480 * B, 3);
        return new(
            4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s,
            -1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s,
            -0.0041960863 * l - 0.7034186147 * m + 1.7076147010 * s);
    }

    /// <summary>How far apart two colours look; 0.02 is about the least that is seen.</summary>
    public double DistanceTo(Oklab other) =>
        Math.Sqrt(Math.Pow(Lightness - other.Lightness, 2) + Math.Pow(A - other.A, 2) + Math.Pow(B - other.B, 2));
}
