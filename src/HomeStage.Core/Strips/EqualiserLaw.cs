using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Strips;

/// <summary>What the controls of the equaliser mean: its sections, in order of frequency.</summary>
public static class EqualiserLaw
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Equaliser)!;

    /// <returns>The sections that do something; none for a flat equaliser.</returns>
    public static IReadOnlyList<Biquad> Sections(Map<double> settings, int sampleRateHz)
    {
        double Value(string id) => Kind.Value(settings, id);
        var sections = new List<Biquad>();
        if (Value("low-cut") >= 0.5)
            sections.Add(FilterDesign.LowCut(Value("low-cut-hz"), sampleRateHz));
        if (Value("low-shelf-db") is not 0 and var low)
            sections.Add(FilterDesign.LowShelf(Value("low-shelf-hz"), low, sampleRateHz));
        foreach (var bell in new[] { "bell-1", "bell-2" })
            if (Value($"{bell}-db") is not 0 and var gain)
                sections.Add(FilterDesign.Bell(Value($"{bell}-hz"), gain, Value($"{bell}-q"), sampleRateHz));
        if (Value("high-shelf-db") is not 0 and var high)
            sections.Add(FilterDesign.HighShelf(Value("high-shelf-hz"), high, sampleRateHz));
        if (Value("high-cut") >= 0.5)
            sections.Add(FilterDesign.HighCut(Value("high-cut-hz"), sampleRateHz));
        return sections;
    }

    /// <returns>dB at one frequency, over all sections.</returns>
    public static double GainDb(IReadOnlyList<Biquad> sections, double frequencyHz, int sampleRateHz) =>
        sections.Sum(s => s.GainDb(frequencyHz, sampleRateHz));
}
