namespace HomeStage.Core.Sound.Processors;

/// <summary>What a processor has to know of the render that it works in.</summary>
/// <param name="SampleRateHz">In [44,100, 96,000].</param>
/// <param name="TempoBpm">The tempo at the start, by which note values are counted.</param>
public sealed record Surroundings(int SampleRateHz, double TempoBpm)
{
    /// <summary>The song's key; null while it waits for one.</summary>
    public MusicalKey? Key { get; init; }

    /// <summary>Whether its settings change while it works.</summary>
    public bool Moves { get; init; }

    /// <summary>Where the ducker's curve is restarted, in frames from the start of the render, ascending; may lie before it.</summary>
    public IReadOnlyList<long> Restarts { get; init; } = [];
}
