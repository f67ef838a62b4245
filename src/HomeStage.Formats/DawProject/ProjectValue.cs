using System.Globalization;
using System.Xml.Linq;
using HomeStage.Core.Automation;

namespace HomeStage.Formats.DawProject;

/// <summary>How a value of ours is said in a unit of the format, and read back.</summary>
/// <param name="Unit">As the format spells it.</param>
/// <param name="Said">From our unit.</param>
/// <param name="Ours">From the format's to our unit.</param>
/// <param name="Meant">From whichever unit a file says to the format's own; null says none.</param>
internal sealed record ProjectValue(string Unit, Func<double, double> Said, Func<double, double> Ours, Func<string?, double, double> Meant)
{
    private const double QuietestLinear = 1e-9;

    /// <summary>The amplitude ratio of a level in dB; silence is 0.</summary>
    public static readonly ProjectValue Volume = new(
        "linear", db => db <= Scales.SilenceDb ? 0 : Math.Pow(10, db / 20), Db, (unit, x) => Math.Max(0, unit switch { "decibel" => Math.Pow(10, x / 20), "percent" => x / 100, _ => x }));

    /// <summary>0 is hard left, 0.5 the centre.</summary>
    public static readonly ProjectValue Pan = new(
        "normalized", pan => (pan + 1) / 2, x => 2 * x - 1, (unit, x) => Math.Clamp(unit switch { "percent" => (x / 100 + 1) / 2, "linear" => (x + 1) / 2, _ => x }, 0, 1));

    public static readonly ProjectValue Decibel = new("decibel", db => db, db => db, InDb);

    public static readonly ProjectValue Hertz = new("hertz", hz => hz, hz => hz, AsItIs);

    public static readonly ProjectValue Tempo = new("bpm", bpm => bpm, bpm => bpm, AsItIs);

    /// <summary>Of milliseconds.</summary>
    public static readonly ProjectValue Seconds = new("seconds", ms => ms / 1000, s => s * 1000, AsItIs);

    public static readonly ProjectValue Plain = new("linear", x => x, x => x, AsItIs);

    /// <summary>Of a gate's range, which takes away: the gain that is left.</summary>
    public static readonly ProjectValue TakenAway = new("decibel", db => -db, Math.Abs, InDb);

    /// <param name="value">In our unit, as are the ends of its range.</param>
    public XElement Element(string name, string id, double value, double min, double max)
    {
        var (a, b) = (Said(min), Said(max));
        return new(name,
            new XAttribute("id", id), new XAttribute("max", Number(Math.Max(a, b))), new XAttribute("min", Number(Math.Min(a, b))), new XAttribute("unit", Unit), new XAttribute("value", Number(Said(value))));
    }

    /// <summary>Nine decimals are less than anybody hears, and the same everywhere.</summary>
    public static string Number(double value) => Math.Round(value, 9).ToString("0.#########", CultureInfo.InvariantCulture);

    public static string Truth(bool value) => value ? "true" : "false";

    private static double AsItIs(string? unit, double value) => value;

    private static double InDb(string? unit, double value) => unit switch { "linear" => Db(value), "percent" => Db(value / 100), _ => value };

    private static double Db(double amplitude) => amplitude <= QuietestLinear ? Scales.SilenceDb : 20 * Math.Log10(amplitude);
}
