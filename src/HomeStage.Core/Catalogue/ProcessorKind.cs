using HomeStage.Core.Controls;

namespace HomeStage.Core.Catalogue;

/// <summary>A processor that a strip can hold.</summary>
/// <param name="HasKey">Whether its detector has a key input.</param>
public sealed record ProcessorKind(string Id, string Name, bool HasKey, Sequence<Parameter> Parameters)
{
    /// <summary>A few letters for it, for rows.</summary>
    public string ShortName { get; init; } = Name;

    /// <summary>The same where its key is on: what listens to another channel has another job.</summary>
    public string? KeyedShortName { get; init; }

    /// <summary>The delay that the processor adds, in milliseconds, as a parameter id; null for none.</summary>
    public string? LatencyParameter { get; init; }

    /// <summary>Frames by which it is late besides.</summary>
    public int OwnLatencyFrames { get; init; }

    /// <summary>Milliseconds by which it is late besides.</summary>
    public double OwnLatencyMs { get; init; }

    /// <summary>The switch without which it is not late at all, as a parameter id; null where it always is.</summary>
    public string? LatencySwitch { get; init; }

    /// <summary>Whether notes, or the beat, restart it.</summary>
    public bool HasTrigger { get; init; }

    /// <summary>Whether it is of use only in place of a device.</summary>
    public bool StandsInOnly { get; init; }

    /// <summary>What it takes of one core at 48 kHz in stereo, in percent; measured by the bench.</summary>
    public double SharePercent { get; init; }

    public Parameter? Find(string parameterId) => Parameters.FirstOrDefault(p => p.Id == parameterId);

    /// <exception cref="KeyNotFoundException">The processor has no such parameter.</exception>
    public double Value(Map<double> settings, string parameterId) =>
        (Find(parameterId) ?? throw new KeyNotFoundException($"{Id} has no parameter '{parameterId}'.")).In(settings);

    /// <returns>Frames by which the output lags the input.</returns>
    public int LatencyFrames(Map<double> settings, int sampleRateHz) =>
        LatencySwitch is not null && Value(settings, LatencySwitch) < 0.5
            ? 0
            : OwnLatencyFrames + (int)Math.Round((OwnLatencyMs + (LatencyParameter is null ? 0 : Value(settings, LatencyParameter))) * sampleRateHz / 1000.0);
}
