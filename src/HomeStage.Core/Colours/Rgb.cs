using System.Globalization;

namespace HomeStage.Core.Colours;

/// <summary>Light of the three primaries of sRGB, linear: 1 is the most that a screen shows.</summary>
public readonly record struct Rgb(double Red, double Green, double Blue)
{
    // What is out of range by rounding is in range.
    private const double Slack = 1e-7;

    internal bool IsShowable => Red is >= -Slack and <= 1 + Slack && Green is >= -Slack and <= 1 + Slack && Blue is >= -Slack and <= 1 + Slack;

    /// <param name="hex">"#rrggbb".</param>
    /// <exception cref="FormatException">Not of that form.</exception>
    public static Rgb Parse(string hex)
    {
        if (hex is not ['#', _, _, _, _, _, _])
            throw new FormatException($"'{hex}' is not of the form #rrggbb.");
        double Channel(int at) => Decoded(int.Parse(hex.AsSpan(at, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture) / 255.0);
        return new(Channel(1), Channel(3), Channel(5));
    }

    /// <summary>WCAG 2.2: relative luminance.</summary>
    public double Luminance => 0.2126 * Red + 0.7152 * Green + 0.0722 * Blue;

    /// <summary>WCAG 2.2: the contrast ratio of two colours, in [1, 21].</summary>
    public double ContrastWith(Rgb other)
    {
        var (light, dark) = Luminance > other.Luminance ? (Luminance, other.Luminance) : (other.Luminance, Luminance);
        return (light + 0.05) / (dark + 0.05);
    }

    /// <returns>"#rrggbb".</returns>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"#{Byte(Red):x2}{Byte(Green):x2}{Byte(Blue):x2}");

    internal Rgb Held() => new(Math.Clamp(Red, 0, 1), Math.Clamp(Green, 0, 1), Math.Clamp(Blue, 0, 1));

    private static int Byte(double linear) => (int)Math.Round(255 * Encoded(Math.Clamp(linear, 0, 1)));

    // IEC 61966-2-1, as CSS Color 4 has it.
    private static double Encoded(double linear) => linear > 0.0031308 ? 1.055 * Math.Pow(linear, 1 / 2.4) - 0.055 : 12.92 * linear;

    private static double Decoded(double encoded) => encoded > 0.04045 ? Math.Pow((encoded + 0.055) / 1.055, 2.4) : encoded / 12.92;
}
