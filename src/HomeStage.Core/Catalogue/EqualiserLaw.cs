using HomeStage.Core.Strips;

namespace HomeStage.Core.Catalogue;

/// <summary>Which part of a stereo picture an equaliser works on, in the order of its choice.</summary>
public enum EqualiserPart
{
    BothSides,
    Left,
    Right,
    Middle,
    Sides,
}

/// <summary>What the controls of the equaliser mean: its eight sections, in order of frequency.</summary>
/// <remarks>A cut of 24 dB an octave is two second-order sections whose quality makes a Butterworth filter of fourth order:
/// 1 / (2·cos(π/8)) and 1 / (2·cos(3π/8)).</remarks>
public static class EqualiserLaw
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Equaliser)!;
    private static readonly double[] Gentle = [FilterDesign.Butterworth];
    private static readonly double[] Steep = [1 / (2 * Math.Cos(Math.PI / 8)), 1 / (2 * Math.Cos(3 * Math.PI / 8))];

    /// <returns>The sections that do something; none for a flat equaliser.</returns>
    public static IReadOnlyList<Biquad> Sections(Map<double> settings, int sampleRateHz)
    {
        double Value(string id) => Kind.Value(settings, id);
        var sections = new List<Biquad>();
        if (Value("low-cut") >= 0.5)
            sections.AddRange(Slope("low-cut-slope").Select(q => FilterDesign.LowCut(Value("low-cut-hz"), sampleRateHz, q)));
        if (Value("low-shelf-db") is not 0 and var low)
            sections.Add(FilterDesign.LowShelf(Value("low-shelf-hz"), low, sampleRateHz));
        foreach (var bell in new[] { "bell-1", "bell-2", "bell-3" })
            if (Value($"{bell}-db") is not 0 and var gain)
                sections.Add(FilterDesign.Bell(Value($"{bell}-hz"), gain, Value($"{bell}-q"), sampleRateHz));
        if (Value("notch") >= 0.5)
            sections.Add(FilterDesign.Notch(Value("notch-hz"), Value("notch-q"), sampleRateHz));
        if (Value("high-shelf-db") is not 0 and var high)
            sections.Add(FilterDesign.HighShelf(Value("high-shelf-hz"), high, sampleRateHz));
        if (Value("high-cut") >= 0.5)
            sections.AddRange(Slope("high-cut-slope").Select(q => FilterDesign.HighCut(Value("high-cut-hz"), sampleRateHz, q)));
        return sections;

        double[] Slope(string id) => Value(id) >= 0.5 ? Steep : Gentle;
    }

    public static EqualiserPart Part(Map<double> settings) => (EqualiserPart)(int)Kind.Value(settings, "part");

    /// <summary>Whether the sections run at twice the sample rate.</summary>
    public static bool IsOversampled(Map<double> settings) => Kind.Value(settings, "oversampled") >= 0.5;

    /// <returns>dB at one frequency, over all sections.</returns>
    public static double GainDb(IReadOnlyList<Biquad> sections, double frequencyHz, int sampleRateHz) =>
        sections.Sum(s => s.GainDb(frequencyHz, sampleRateHz));
}
