using System.Globalization;
using System.Xml.Linq;
using HomeStage.Core.Automation;

namespace HomeStage.Formats.DawProject;

/// <summary>Attributes as they are found: what is missing, or no number, is null.</summary>
internal static class ReadElement
{
    private const double QuietestLinear = 1e-9;

    public static string? Text(this XElement? element, string attribute) => (string?)element?.Attribute(attribute);

    public static double? Number(this XElement? element, string attribute) =>
        double.TryParse(element.Text(attribute), NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number) ? number : null;

    public static int? Whole(this XElement? element, string attribute) => element.Number(attribute) is { } number and >= int.MinValue and <= int.MaxValue ? (int)Math.Round(number) : null;

    /// <returns>Null where it says nothing.</returns>
    public static bool? Truth(this XElement? element, string attribute) => element.Text(attribute) is { } text ? text is "true" or "1" : null;

    /// <summary>The value of a parameter in dB, whichever unit says it; rounded to a thousandth.</summary>
    /// <returns>Null where there is none; silence is <see cref="Scales.SilenceDb"/>.</returns>
    public static double? Db(this XElement? element) => element.Number("value") is not { } value ? null
        : element.Text("unit") == "decibel" ? Math.Round(value, 3)
        : Linear(element, value) is var linear && linear <= QuietestLinear ? Scales.SilenceDb : Math.Round(20 * Math.Log10(linear), 3);

    /// <summary>A pan in [−1, 1], whichever unit says it; rounded to a ten-thousandth.</summary>
    public static double? Pan(this XElement? element) => element.Number("value") is not { } value ? null
        : Math.Round(Math.Clamp(element.Text("unit") switch { "normalized" => 2 * value - 1, "percent" => value / 100, _ => value }, -1, 1), 4);

    private static double Linear(XElement? element, double value) => element.Text("unit") == "percent" ? value / 100 : value;
}
