using HomeStage.Core.Strips;

namespace HomeStage.Core.Catalogue;

/// <summary>What comes out of a dynamics processor for what goes in and stays: its static curve.</summary>
public static class DynamicsLaw
{
    /// <returns>Whether the processor has such a curve.</returns>
    public static bool Has(string processor) =>
        processor is ProcessorCatalogue.Compressor or ProcessorCatalogue.Limiter or ProcessorCatalogue.Clipper or ProcessorCatalogue.Gate;

    /// <param name="processor">One that has a curve.</param>
    /// <param name="inputDb">Peak level, dBFS.</param>
    /// <returns>dBFS, make-up and mix included.</returns>
    /// <exception cref="ArgumentException">The processor has no such curve.</exception>
    public static double OutputDb(string processor, Map<double> settings, double inputDb)
    {
        double Value(string id) => ProcessorCatalogue.Find(processor)!.Value(settings, id);
        return processor switch
        {
            ProcessorCatalogue.Compressor => Compressed(Value, inputDb),
            ProcessorCatalogue.Limiter or ProcessorCatalogue.Clipper => Math.Min(inputDb + Value("input-db"), Value("ceiling-db")),
            ProcessorCatalogue.Gate => inputDb >= Value("threshold-db") ? inputDb : inputDb - Value("range-db"),
            _ => throw new ArgumentException($"'{processor}' has no curve of levels.", nameof(processor)),
        };
    }

    private static double Compressed(Func<string, double> value, double inputDb)
    {
        var reduction = CompressorLaw.OutputDb(inputDb, value("threshold-db"), value("ratio"), value("knee-db")) - inputDb;
        var mix = value("mix-percent") / 100;
        return inputDb + 20 * Math.Log10(1 - mix + mix * Math.Pow(10, (reduction + value("make-up-db")) / 20));
    }
}
