using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Sets a strip's inserts to work.</summary>
public static class ProcessorFactory
{
    /// <param name="insert">Held against the rules before.</param>
    /// <param name="lanes">1 or 2.</param>
    /// <exception cref="ArgumentException">The catalogue's processor has no maker here.</exception>
    public static IProcessor Create(Insert insert, int lanes, Surroundings around) => insert.Processor switch
    {
        ProcessorCatalogue.Equaliser => new EqualiserProcessor(insert.Settings, lanes, around.SampleRateHz, around.Moves),
        ProcessorCatalogue.Compressor => new CompressorProcessor(insert.Settings, insert.Key, around.SampleRateHz),
        ProcessorCatalogue.Limiter => new LimiterProcessor(insert.Settings, insert.Key, lanes, around.SampleRateHz),
        ProcessorCatalogue.Delay => new DelayProcessor(insert.Settings, lanes, around.SampleRateHz, around.TempoBpm),
        ProcessorCatalogue.Gate => new GateProcessor(insert.Settings, insert.Key, around.SampleRateHz),
        ProcessorCatalogue.Ducker => new DuckerProcessor(insert.Settings, insert.Trigger, around),
        ProcessorCatalogue.Image => new ImageProcessor(insert.Settings, around.SampleRateHz),
        ProcessorCatalogue.Reverb => new ReverbProcessor(insert.Settings, lanes, around.SampleRateHz, around.TempoBpm),
        ProcessorCatalogue.Chorus => new ChorusProcessor(insert.Settings, lanes, around.SampleRateHz),
        ProcessorCatalogue.Saturator => new SaturatorProcessor(insert.Settings, lanes),
        ProcessorCatalogue.Clipper => new ClipperProcessor(insert.Settings, lanes),
        ProcessorCatalogue.Amplifier => new AmplifierProcessor(insert.Settings, lanes, around.SampleRateHz),
        ProcessorCatalogue.PitchCorrection => new PitchCorrectionProcessor(insert.Settings, lanes, around.SampleRateHz, around.Key),
        ProcessorCatalogue.Gain => new GainProcessor(insert.Settings),
        ProcessorCatalogue.Through => new PassThrough(),
        _ => throw new ArgumentException($"No processor '{insert.Processor}' is built in.", nameof(insert)),
    };
}
