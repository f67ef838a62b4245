using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStage.Core.Timing;

/// <summary>One section as people write it: "Verse 8", "Crossing 6 bars 4/4 104 BPM".</summary>
/// <param name="Name">What is left where the rest is taken off its end; not held against rules.</param>
/// <param name="Bars">Null where none are said.</param>
/// <param name="TempoBpm">In quarter notes a minute; null where none is said.</param>
/// <param name="Meter">Null where none is said.</param>
public sealed partial record SaidSection(string Name, int? Bars, double? TempoBpm, Meter? Meter)
{
    public static SaidSection Read(string text)
    {
        var said = new SaidSection(text.Trim(), null, null, null);
        while (Shorter(said) is { } less)
            said = less;
        return said;
    }

    /// <summary>As <see cref="Read"/> reads it; a tempo with at most two decimals.</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Name}{(Bars is { } bars ? $" {bars}" : "")}{(Meter is null ? "" : $" {Meter}")}{(TempoBpm is { } bpm ? $" {bpm:0.##} BPM" : "")}");

    /// <returns>Null where the end says nothing more.</returns>
    private static SaidSection? Shorter(SaidSection said)
    {
        if (said.Meter is null && MeterAtEnd().Match(said.Name) is { Success: true } meter)
            return said with { Name = meter.Groups["name"].Value, Meter = new(Whole(meter, "beats"), Whole(meter, "unit")) };
        if (said.TempoBpm is null && TempoAtEnd().Match(said.Name) is { Success: true } tempo)
            return said with { Name = tempo.Groups["name"].Value, TempoBpm = double.Parse(tempo.Groups["bpm"].Value, CultureInfo.InvariantCulture) };
        return said.Bars is null && BarsAtEnd().Match(said.Name) is { Success: true } bars ? said with { Name = bars.Groups["name"].Value, Bars = Whole(bars, "bars") } : null;
    }

    private static int Whole(Match match, string group) => int.Parse(match.Groups[group].Value, CultureInfo.InvariantCulture);

    private const RegexOptions Linear = RegexOptions.NonBacktracking | RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture;

    [GeneratedRegex(@"^(?<name>.*\S)\s+(?<beats>[0-9]{1,2})\s*/\s*(?<unit>[0-9]{1,2})$", Linear)]
    private static partial Regex MeterAtEnd();

    [GeneratedRegex(@"^(?<name>.*\S)\s+(@\s*(?<bpm>[0-9]{1,3}(\.[0-9]{1,3})?)(\s*bpm)?|(?<bpm>[0-9]{1,3}(\.[0-9]{1,3})?)\s*bpm)$", Linear)]
    private static partial Regex TempoAtEnd();

    [GeneratedRegex(@"^(?<name>.*\S)\s+(?<bars>[0-9]{1,3})(\s*bars?)?$", Linear)]
    private static partial Regex BarsAtEnd();
}
