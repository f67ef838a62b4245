namespace HomeStage.Core.Notes;

/// <summary>Changes notes before the instrument hears them. A pure function of the notes.</summary>
public abstract record NoteProcessor
{
    /// <summary>An insert of notes that is off lets them through.</summary>
    public bool On { get; init; } = true;

    /// <param name="notes">In order of their start.</param>
    /// <returns>In order of their start; every number in [0, 127] and every velocity in [1, 127].</returns>
    public abstract IReadOnlyList<TimedNote> Apply(IReadOnlyList<TimedNote> notes);

    /// <returns>What comes out of several, one after the other; those that are off let everything through.</returns>
    /// <param name="notes">In order of their start.</param>
    public static IReadOnlyList<TimedNote> Through(IEnumerable<NoteProcessor> processors, IReadOnlyList<TimedNote> notes) =>
        processors.Where(p => p.On).Aggregate(notes, (now, processor) => processor.Apply(now));

    /// <returns>The first thing that is wrong, or null.</returns>
    internal abstract Refusal? Check(string channelName);
}

/// <summary>A note on the timeline.</summary>
/// <param name="StartTick">From the start of the timeline.</param>
/// <param name="LengthTicks">At least 1.</param>
public readonly record struct TimedNote(long StartTick, long LengthTicks, int Number, int Velocity)
{
    public long EndTick => StartTick + LengthTicks;
}
