using HomeStage.Core.Timing;

namespace HomeStage.Core.Notes;

/// <summary>Where the steps of a cycle really fall, and how strong they are.</summary>
/// <param name="Name">1 to 40 characters, unique in the template.</param>
/// <param name="CycleTicks">In [1, 16 quarters].</param>
/// <param name="Steps">1 to 64, ascending, in [0, cycle); where they fall ascends too and stays within one cycle.</param>
/// <remarks>Time between two steps is stretched evenly, so no note overtakes another.</remarks>
public sealed record Groove(string Name, int CycleTicks, Sequence<GrooveStep> Steps)
{
    public const int LongestTicks = 16 * Ticks.PerQuarter;
    public const int MostSteps = 64;

    /// <summary>Swing: the second of each pair falls at a share of the pair.</summary>
    /// <param name="pairTicks">Two eighths are a quarter: 960.</param>
    /// <param name="share">In (0, 1): 0.5 is straight, 2/3 a triplet.</param>
    public static Groove Swing(string name, int pairTicks, double share) =>
        new(name, pairTicks, [new(0), new(pairTicks / 2, (int)Math.Round(pairTicks * share) - pairTicks / 2)]);

    /// <summary>The feel of what somebody played: the mean offset and strength at each step of a grid.</summary>
    /// <param name="gridTicks">Above 0; a whole number of them makes the cycle.</param>
    /// <returns>Steps that no note falls on stay straight.</returns>
    public static Groove TakenFrom(string name, Pattern played, int gridTicks, int cycleTicks)
    {
        var mean = played.Notes.Count == 0 ? 100 : played.Notes.Average(n => n.Velocity);
        var steps = cycleTicks / gridTicks;
        var near = played.Notes.ToLookup(n => (int)Math.Round((double)n.StartTick / gridTicks) % steps);
        int Offset(Note n) => n.StartTick - (int)Math.Round((double)n.StartTick / gridTicks) * gridTicks;
        return new(name, cycleTicks, Enumerable.Range(0, steps)
            .Select(s => near[s].Any()
                ? new GrooveStep(s * gridTicks, (int)Math.Round(near[s].Average(Offset)), Math.Clamp((int)Math.Round(near[s].Average(n => n.Velocity) / mean * 100), 1, 200))
                : new(s * gridTicks))
            .ToSequence());
    }

    /// <returns>Where a tick of the straight timeline falls.</returns>
    public long Moved(long tick)
    {
        var (before, after, share) = Around(tick);
        return tick + (long)Math.Round(before.OffsetTicks + share * (after.OffsetTicks - before.OffsetTicks));
    }

    /// <returns>The note as it is felt. Never before the timeline's start.</returns>
    public TimedNote Felt(TimedNote note)
    {
        var (before, after, share) = Around(note.StartTick);
        var strength = before.VelocityPercent + share * (after.VelocityPercent - before.VelocityPercent);
        var start = Math.Max(0, Moved(note.StartTick));
        return new(start, Math.Max(1, Moved(note.EndTick) - start), note.Number, Math.Clamp((int)Math.Round(note.Velocity * strength / 100), 1, 127));
    }

    /// <returns>The first thing that is wrong, or null.</returns>
    internal Refusal? Check()
    {
        if (TextRules.Name("A groove's name", Name, TextRules.LongestSection) is { } badName)
            return badName;
        if (!(CycleTicks is >= 1 and <= LongestTicks))
            return new Refusal.OutOfRange($"The cycle of {Name}", CycleTicks, 1, LongestTicks, "ticks");
        if (!(Steps.Count is >= 1 and <= MostSteps))
            return new Refusal.OutOfRange($"The steps of {Name}", Steps.Count, 1, MostSteps, "");
        if (Steps.Any(s => !(s.Tick >= 0 && s.Tick < CycleTicks && s.VelocityPercent is >= 1 and <= 200 && Math.Abs((long)s.OffsetTicks) <= CycleTicks)))
            return new Refusal.WrongPlace(Name, "has a step outside its cycle, or stronger than 200 %");
        var falls = Steps.Select(s => (long)s.Tick + s.OffsetTicks).Append((long)CycleTicks + Steps[0].Tick + Steps[0].OffsetTicks).ToList();
        var ascends = Steps.Zip(Steps.Skip(1)).All(x => x.First.Tick < x.Second.Tick) && falls.Zip(falls.Skip(1)).All(x => x.First < x.Second);
        return ascends ? null : new Refusal.WrongPlace(Name, "has steps that overtake each other");
    }

    private (GrooveStep Before, GrooveStep After, double Share) Around(long tick)
    {
        var place = tick % CycleTicks;
        var last = Steps.Count - 1;
        while (last >= 0 && Steps[last].Tick > place)
            last--;
        var (before, start) = last >= 0 ? (Steps[last], Steps[last].Tick) : (Steps[^1], Steps[^1].Tick - CycleTicks);
        var (after, end) = last + 1 < Steps.Count ? (Steps[last + 1], Steps[last + 1].Tick) : (Steps[0], Steps[0].Tick + CycleTicks);
        return (before, after, (double)(place - start) / (end - start));
    }
}

/// <summary>One step of a groove.</summary>
/// <param name="OffsetTicks">Late above 0, early below.</param>
/// <param name="VelocityPercent">In [1, 200].</param>
public sealed record GrooveStep(int Tick, int OffsetTicks = 0, int VelocityPercent = 100);
