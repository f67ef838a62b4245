using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Sets a strip's inserts to work.</summary>
public static class ProcessorFactory
{
    /// <param name="insert">Held against the rules before.</param>
    /// <param name="lanes">1 or 2.</param>
    /// <exception cref="ArgumentException">The catalogue's processor has no maker here.</exception>
    public static IProcessor Create(Insert insert, int lanes, int sampleRateHz, double tempoBpm) => insert.Processor switch
    {
        ProcessorCatalogue.Equaliser => new EqualiserProcessor(insert.Settings, lanes, sampleRateHz),
        ProcessorCatalogue.Compressor => new CompressorProcessor(insert.Settings, insert.Key, sampleRateHz),
        ProcessorCatalogue.Limiter => new LimiterProcessor(insert.Settings, lanes, sampleRateHz),
        ProcessorCatalogue.Delay => new DelayProcessor(insert.Settings, lanes, sampleRateHz, tempoBpm),
        ProcessorCatalogue.Gate => new GateProcessor(insert.Settings, insert.Key, sampleRateHz),
        ProcessorCatalogue.Image => new ImageProcessor(insert.Settings, sampleRateHz),
        ProcessorCatalogue.Reverb => new ReverbProcessor(insert.Settings, lanes, sampleRateHz, tempoBpm),
        ProcessorCatalogue.Chorus => new ChorusProcessor(insert.Settings, lanes, sampleRateHz),
        ProcessorCatalogue.Saturator => new SaturatorProcessor(insert.Settings, lanes),
        ProcessorCatalogue.Clipper => new ClipperProcessor(insert.Settings, lanes),
        ProcessorCatalogue.Gain => new GainProcessor(insert.Settings),
        _ => throw new ArgumentException($"No processor '{insert.Processor}' is built in.", nameof(insert)),
    };
}
