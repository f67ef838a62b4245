using HomeStage.Core.Catalogue;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Levels;

/// <summary>What an insert does to the level of what it is given, as far as that can be said without rendering.</summary>
/// <remarks>An equaliser counts with its mean power over third octaves of the same power each, 50 Hz to 10 kHz; dynamics with
/// their static curve, by a sine of the same loudness; what is keyed from outside, colours or restarts counts as unity.</remarks>
internal static class InsertGain
{
    // A sine's peak over its RMS.
    private const double SineCrestDb = 3.0103;

    /// <param name="levelDb">Loudness of what enters, of one lane.</param>
    /// <returns>Amplitude.</returns>
    public static double Of(Insert insert, double levelDb, int sampleRateHz)
    {
        var kind = insert.Kind();
        double Value(string id) => kind.Value(insert.Settings, id);
        return insert.Processor switch
        {
            ProcessorCatalogue.Gain => Linear(Value("gain-db")),
            ProcessorCatalogue.Equaliser => Equaliser(insert.Settings, sampleRateHz),
            ProcessorCatalogue.Compressor => Compressor(insert, Value, levelDb),
            ProcessorCatalogue.Limiter or ProcessorCatalogue.Clipper => Held(Linear(levelDb + SineCrestDb), Linear(Value("input-db")), Linear(Value("ceiling-db"))),
            ProcessorCatalogue.Image => Linear(Value("middle-db")),
            // A gate counts as open, a ducker as up.
            ProcessorCatalogue.Gate or ProcessorCatalogue.Ducker => 1,
            ProcessorCatalogue.Delay or ProcessorCatalogue.Reverb or ProcessorCatalogue.Chorus => 1,
            ProcessorCatalogue.Saturator or ProcessorCatalogue.Amplifier or ProcessorCatalogue.PitchCorrection => 1,
            ProcessorCatalogue.Through => 1,
            _ => throw new ArgumentException($"What '{insert.Processor}' does to a level is not said.", nameof(insert)),
        };
    }

    /// <summary>The share of what comes out of it that is not what went in; null where it only turns or shapes.</summary>
    public static double? WetShare(Insert insert) =>
        insert.Processor is ProcessorCatalogue.Delay or ProcessorCatalogue.Reverb
            ? ProcessorCatalogue.Find(insert.Processor)!.Value(insert.Settings, "wet-percent") / 100
            : null;

    public static bool OnlyTurns(Insert insert) => insert.Processor == ProcessorCatalogue.Gain;

    private static double Compressor(Insert insert, Func<string, double> value, double levelDb)
    {
        var heard = value("detector") >= 0.5 ? levelDb : levelDb + SineCrestDb;
        // What an outside key takes off depends on when it sounds.
        var reduction = insert.Key is { On: true } ? 0 : CompressorLaw.OutputDb(heard, value("threshold-db"), value("ratio"), value("knee-db")) - heard;
        var mix = value("mix-percent") / 100;
        return 1 - mix + mix * Linear(reduction + value("make-up-db"));
    }

    private static double Held(double peak, double input, double ceiling) => input * CeilingLaw.Gain(input * peak, ceiling);

    private static double Equaliser(Map<double> settings, int sampleRateHz)
    {
        var sections = EqualiserLaw.Sections(settings, sampleRateHz);
        if (sections.Count == 0)
            return 1;
        return Math.Sqrt(ThirdOctaveBands.Centres(-13, 10).Average(hz => Math.Pow(10, EqualiserLaw.GainDb(sections, hz, sampleRateHz) / 10)));
    }

    private static double Linear(double db) => Math.Pow(10, db / 20);
}
