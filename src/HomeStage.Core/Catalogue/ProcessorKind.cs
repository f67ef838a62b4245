using HomeStage.Core.Templates;

namespace HomeStage.Core.Catalogue;

/// <summary>A processor that a strip can hold.</summary>
/// <param name="HasKey">Whether its detector has a key input.</param>
public sealed record ProcessorKind(string Id, string Name, bool HasKey, Sequence<Parameter> Parameters)
{
    /// <summary>The delay that the processor adds, in milliseconds, as a parameter id; null for none.</summary>
    public string? LatencyParameter { get; init; }

    /// <summary>Frames by which it is late whatever its settings.</summary>
    public int OwnLatencyFrames { get; init; }

    /// <summary>What it takes of one core at 48 kHz in stereo, in percent; measured by the bench.</summary>
    public double SharePercent { get; init; }

    public Parameter? Find(string parameterId) => Parameters.FirstOrDefault(p => p.Id == parameterId);

    /// <exception cref="KeyNotFoundException">The processor has no such parameter.</exception>
    public double Value(Map<double> settings, string parameterId) =>
        (Find(parameterId) ?? throw new KeyNotFoundException($"{Id} has no parameter '{parameterId}'.")).In(settings);

    /// <returns>Frames by which the output lags the input.</returns>
    public int LatencyFrames(Map<double> settings, int sampleRateHz) =>
        OwnLatencyFrames + (LatencyParameter is null ? 0 : (int)Math.Round(Value(settings, LatencyParameter) * sampleRateHz / 1000.0));
}
