namespace HomeStage.Core.Outside;

/// <summary>What the line check from outside says.</summary>
/// <param name="Recordings">In the order in which they came.</param>
/// <param name="Rows">Every source that was fired, in the order of the test.</param>
/// <param name="Duckers">Those whose channel came back.</param>
/// <param name="Findings">What is wrong, each where it begins; what follows from it further down is not said again. The gravest first.</param>
/// <param name="Notes">How it was judged, in sentences.</param>
public sealed record OutsideAnswer(
    IReadOnlyList<Placed> Recordings, IReadOnlyList<OutsideRow> Rows, IReadOnlyList<DuckerReading> Duckers, IReadOnlyList<OutsideFinding> Findings, IReadOnlyList<string> Notes)
{
    /// <summary>Whether most of what came back is the sound that is heard here; of other sound only whether it is there is judged.</summary>
    public required bool SoundsAreThose { get; init; }

    /// <summary>Channels that came back with all that belongs on them, and nothing wrong with any of it.</summary>
    public required IReadOnlySet<ChannelId> Proven { get; init; }
}

/// <summary>One source on every channel that came back and on which it is expected or heard.</summary>
/// <param name="Readings">The nearest to the source first.</param>
/// <param name="IsHeardHere">Whether any channel hears it in the render here.</param>
public sealed record OutsideRow(FiredSlot Slot, OutsideVerdict Verdict, IReadOnlyList<PadReading> Readings, bool IsHeardHere);

/// <summary>What is said of one source.</summary>
public enum OutsideVerdict
{
    /// <summary>As here, on every channel that came back.</summary>
    Arrived,

    /// <summary>Something is wrong.</summary>
    Wrong,

    /// <summary>No channel came back on which it would be heard.</summary>
    NotRecorded,

    /// <summary>It is silent here as well.</summary>
    SilentHere,
}

/// <summary>Something that is wrong, for people.</summary>
/// <param name="Channel">Where it begins.</param>
/// <param name="Source">Null where it is the whole channel.</param>
/// <param name="Words">A sentence.</param>
public sealed record OutsideFinding(FaultKind Kind, ChannelId Channel, string? Source, string Words);
