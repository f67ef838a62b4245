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

/// <summary>What the controls of the equaliser mean: its sections, in order of frequency.</summary>
/// <remarks>A cut of 24 dB an octave is two second-order sections whose quality makes a Butterworth filter of fourth order:
/// 1 / (2·cos(π/8)) and 1 / (2·cos(3π/8)), the latter times √2·Q where the cut has a resonance of Q.</remarks>
public static class EqualiserLaw
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Equaliser)!;
    private static readonly double[] Steep = [1 / (2 * Math.Cos(Math.PI / 8)), 1 / (2 * Math.Cos(3 * Math.PI / 8))];

    /// <returns>The sections that do something; none for a flat equaliser.</returns>
    public static IReadOnlyList<Biquad> Sections(Map<double> settings, int sampleRateHz) =>
        [.. Places(settings, sampleRateHz).OfType<Biquad>().Where(s => !s.DoesNothing)];

    /// <summary>Every section in its place, whether it does anything or rests.</summary>
    /// <returns>As many for any settings; null for what is switched off.</returns>
    public static IReadOnlyList<Biquad?> Places(Map<double> settings, int sampleRateHz)
    {
        double Value(string id) => Kind.Value(settings, id);
        Biquad? Bell(string id) => FilterDesign.Bell(Value($"{id}-hz"), Value($"{id}-db"), Value($"{id}-q"), sampleRateHz);
        return
        [
            .. Cut("low-cut", FilterDesign.LowCut),
            FilterDesign.LowShelf(Value("low-shelf-hz"), Value("low-shelf-db"), sampleRateHz),
            Bell("bell-1"), Bell("bell-2"), Bell("bell-3"),
            Value("notch") >= 0.5 ? FilterDesign.Notch(Value("notch-hz"), Value("notch-q"), sampleRateHz) : null,
            FilterDesign.HighShelf(Value("high-shelf-hz"), Value("high-shelf-db"), sampleRateHz),
            .. Cut("high-cut", FilterDesign.HighCut),
        ];

        IEnumerable<Biquad?> Cut(string id, Func<double, double, double, Biquad> of)
        {
            if (Value(id) < 0.5)
                return [null, null];
            var resonance = Value($"{id}-q") / FilterDesign.Butterworth;
            // The sharper of two sections bears the resonance: the other one keeps the slope even.
            return Value($"{id}-slope") >= 0.5
                ? [of(Value($"{id}-hz"), sampleRateHz, Steep[0]), of(Value($"{id}-hz"), sampleRateHz, Steep[1] * resonance)]
                : [of(Value($"{id}-hz"), sampleRateHz, FilterDesign.Butterworth * resonance), null];
        }
    }

    public static EqualiserPart Part(Map<double> settings) => (EqualiserPart)(int)Kind.Value(settings, "part");

    /// <summary>Whether the sections run at twice the sample rate.</summary>
    public static bool IsOversampled(Map<double> settings) => Kind.Value(settings, "oversampled") >= 0.5;

    /// <returns>dB at one frequency, over all sections.</returns>
    public static double GainDb(IReadOnlyList<Biquad> sections, double frequencyHz, int sampleRateHz) =>
        sections.Sum(s => s.GainDb(frequencyHz, sampleRateHz));
}
