using System.Globalization;
using System.Xml.Linq;
using HomeStage.Core.Automation;

namespace HomeStage.Formats.DawProject;

/// <summary>How a value of ours is said in a unit of the format.</summary>
/// <param name="Unit">As the format spells it.</param>
/// <param name="Said">From our unit.</param>
internal sealed record ProjectValue(string Unit, Func<double, double> Said)
{
    /// <summary>The amplitude ratio of a level in dB; silence is 0.</summary>
    public static readonly ProjectValue Volume = new("linear", db => db <= Scales.SilenceDb ? 0 : Math.Pow(10, db / 20));

    /// <summary>0 is hard left, 0.5 the centre.</summary>
    public static readonly ProjectValue Pan = new("normalized", pan => (pan + 1) / 2);

    public static readonly ProjectValue Decibel = new("decibel", db => db);

    public static readonly ProjectValue Hertz = new("hertz", hz => hz);

    /// <summary>Of milliseconds.</summary>
    public static readonly ProjectValue Seconds = new("seconds", ms => ms / 1000);

    public static readonly ProjectValue Plain = new("linear", x => x);

    /// <summary>Of a gate's range, which takes away: the gain that is left.</summary>
    public static readonly ProjectValue TakenAway = new("decibel", db => -db);

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
}
