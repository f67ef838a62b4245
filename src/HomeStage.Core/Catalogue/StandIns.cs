namespace HomeStage.Core.Catalogue;

/// <summary>What is heard in place of a device, by what it is said to be. Words are those of the trade (common practice).</summary>
public static class StandIns
{
    /// <summary>What plays when nothing is said.</summary>
    public const string AnyInstrument = InstrumentCatalogue.Bellbuoy;

    private static readonly (string Word, string Instrument)[] Instruments =
    [
        ("drum", InstrumentCatalogue.OwnMachine), ("percussion", InstrumentCatalogue.OwnMachine), ("sampler", InstrumentCatalogue.Flotsam), ("bass", InstrumentCatalogue.Undertow),
        ("organ", InstrumentCatalogue.Reedbox), ("reed", InstrumentCatalogue.Reedbox), ("accordion", InstrumentCatalogue.Reedbox), ("pad", InstrumentCatalogue.Gullwing), ("string", InstrumentCatalogue.Gullwing),
        ("choir", InstrumentCatalogue.Gullwing), ("synth", InstrumentCatalogue.Gullwing), ("guitar", InstrumentCatalogue.Driftwood), ("pluck", InstrumentCatalogue.Driftwood), ("harp", InstrumentCatalogue.Driftwood),
        ("riser", InstrumentCatalogue.Squall), ("effect", InstrumentCatalogue.Squall), ("piano", InstrumentCatalogue.Bellbuoy), ("key", InstrumentCatalogue.Bellbuoy),
    ];

    private static readonly (string Word, string Processor)[] Processors =
    [
        ("equali", ProcessorCatalogue.Equaliser), ("eq", ProcessorCatalogue.Equaliser), ("filter", ProcessorCatalogue.Equaliser), ("limit", ProcessorCatalogue.Limiter), ("mastering", ProcessorCatalogue.Limiter),
        ("clip", ProcessorCatalogue.Clipper), ("gate", ProcessorCatalogue.Gate), ("expander", ProcessorCatalogue.Gate), ("duck", ProcessorCatalogue.Ducker), ("compress", ProcessorCatalogue.Compressor),
        ("dynamics", ProcessorCatalogue.Compressor), ("reverb", ProcessorCatalogue.Reverb), ("delay", ProcessorCatalogue.Delay), ("echo", ProcessorCatalogue.Delay), ("pitch", ProcessorCatalogue.PitchCorrection),
        ("tun", ProcessorCatalogue.PitchCorrection), ("distort", ProcessorCatalogue.Saturator), ("saturat", ProcessorCatalogue.Saturator), ("drive", ProcessorCatalogue.Saturator), ("tape", ProcessorCatalogue.Saturator),
        ("amp", ProcessorCatalogue.Amplifier), ("chorus", ProcessorCatalogue.Chorus), ("modulation", ProcessorCatalogue.Chorus), ("flang", ProcessorCatalogue.Chorus), ("spatial", ProcessorCatalogue.Image),
        ("width", ProcessorCatalogue.Image), ("stereo", ProcessorCatalogue.Image), ("gain", ProcessorCatalogue.Gain),
    ];

    /// <param name="said">"Synth pad", "drum machine"; empty for nothing said.</param>
    /// <returns>Id in the instrument catalogue.</returns>
    public static string OfInstrument(string said) => First(Instruments, said) ?? AnyInstrument;

    /// <param name="said">"Dynamics", "room reverb"; empty for nothing said.</param>
    /// <returns>Id in the processor catalogue; what passes sound through where nothing is known.</returns>
    public static string OfProcessor(string said) => First(Processors, said) ?? ProcessorCatalogue.Through;

    /// <summary>Whether what is said names an instrument and not a processor.</summary>
    public static bool IsInstrument(string said) =>
        said.Contains("instrument", StringComparison.OrdinalIgnoreCase) || (First(Instruments, said) is not null && First(Processors, said) is null);

    /// <param name="standIn">Id of an instrument or processor.</param>
    /// <returns>"nothing" for what passes sound through.</returns>
    public static string NameOf(string standIn) =>
        standIn == ProcessorCatalogue.Through ? "nothing" : InstrumentCatalogue.Find(standIn)?.Name ?? ProcessorCatalogue.Find(standIn)?.Name ?? standIn;

    /// <summary>What a device is, going by what is heard in its place.</summary>
    /// <returns>"instrument", "compressor"; "insert" for what passes sound through.</returns>
    public static string KindOf(string standIn) => InstrumentCatalogue.Find(standIn) is not null ? "instrument"
        : standIn == ProcessorCatalogue.Through ? "insert"
        : NameOf(standIn).InASentence();

    private static string? First((string Word, string Id)[] words, string said)
    {
        var spoken = said.ToLowerInvariant().Split([' ', '-', '/', '|', ',', '_'], StringSplitOptions.RemoveEmptyEntries);
        return words.Where(w => spoken.Any(s => s.StartsWith(w.Word, StringComparison.Ordinal))).Select(w => w.Id).FirstOrDefault();
    }
}
