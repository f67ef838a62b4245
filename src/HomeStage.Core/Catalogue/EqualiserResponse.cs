using HomeStage.Core.Strips;

namespace HomeStage.Core.Catalogue;

/// <summary>One section of an equaliser as people set it, with what it does at a row of frequencies.</summary>
/// <param name="Id">"low-cut", "low-shelf", "bell-1": its controls begin with it.</param>
/// <param name="HasGain">Whether it has a gain to be set; the others cut.</param>
/// <param name="HasWidth">Whether it has a width or resonance to be set.</param>
/// <param name="HasSwitch">Whether it can be switched off.</param>
/// <param name="IsOn">Whether it does anything.</param>
/// <param name="GainsDb">dB at each frequency; a notch may reach −120 dB at most.</param>
public sealed record EqualiserSection(string Id, string Name, bool HasGain, bool HasWidth, bool HasSwitch, bool IsOn, Sequence<double> GainsDb);

/// <summary>What an equaliser does over the range of hearing, whole and section by section.</summary>
/// <param name="FrequenciesHz">Ascending, by equal ratios from 20 Hz to 20 kHz.</param>
/// <param name="WholeDb">The sum of all sections at each of them.</param>
public sealed record EqualiserResponse(Sequence<double> FrequenciesHz, Sequence<double> WholeDb, Sequence<EqualiserSection> Sections)
{
    private const double LowestHz = 20;
    private const double HighestHz = 20000;
    private const double DeepestDb = -120;

    /// <summary>By the places of <see cref="EqualiserLaw.Places"/>: a cut has two.</summary>
    private static readonly (string Id, string Name, int[] Places)[] Sets =
    [
        ("low-cut", "Low cut", [0, 1]), ("low-shelf", "Low shelf", [2]), ("bell-1", "First bell", [3]), ("bell-2", "Second bell", [4]), ("bell-3", "Third bell", [5]),
        ("notch", "Notch", [6]), ("high-shelf", "High shelf", [7]), ("high-cut", "High cut", [8, 9]),
    ];

    /// <param name="points">At least 2.</param>
    public static EqualiserResponse Of(Map<double> settings, int sampleRateHz, int points)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(points, 2);
        var rate = EqualiserLaw.IsOversampled(settings) ? 2 * sampleRateHz : sampleRateHz;
        var places = EqualiserLaw.Places(settings, rate);
        var frequencies = Enumerable.Range(0, points).Select(i => LowestHz * Math.Pow(HighestHz / LowestHz, i / (points - 1.0))).ToSequence();
        var sections = Sets.Select(s => SectionOf(s, places, frequencies, rate)).ToSequence();
        return new(frequencies, Enumerable.Range(0, points).Select(i => sections.Sum(s => s.GainsDb[i])).ToSequence(), sections);
    }

    private static EqualiserSection SectionOf((string Id, string Name, int[] Places) set, IReadOnlyList<Biquad?> places, Sequence<double> frequencies, int rateHz)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Equaliser)!;
        var filters = set.Places.Select(p => places[p]).OfType<Biquad>().ToList();
        var gains = frequencies.Select(hz => Math.Max(DeepestDb, EqualiserLaw.GainDb(filters, Math.Min(hz, rateHz / 2.0), rateHz))).ToSequence();
        return new(set.Id, set.Name, kind.Find($"{set.Id}-db") is not null, kind.Find($"{set.Id}-q") is not null, kind.Find(set.Id) is not null, filters.Exists(f => !f.DoesNothing), gains);
    }
}
