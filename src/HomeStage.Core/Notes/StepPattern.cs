using HomeStage.Core.Timing;

namespace HomeStage.Core.Notes;

/// <summary>Plays all held notes in a rhythm of steps on a grid that stands on the timeline.</summary>
/// <param name="StepTicks">In [1, 4 quarters].</param>
/// <param name="Steps">1 to 64 of them, round and round.</param>
public sealed record StepPattern(int StepTicks, Sequence<PatternStep> Steps) : NoteProcessor
{
    public const int MostSteps = 64;

    public override IReadOnlyList<TimedNote> Apply(IReadOnlyList<TimedNote> notes)
    {
        var played = new List<TimedNote>();
        if (notes.Count == 0)
            return played;
        var end = notes.Max(n => n.EndTick);
        for (var number = notes[0].StartTick / StepTicks; number * StepTicks < end; number++)
        {
            var step = Steps[(int)(number % Steps.Count)];
            var tick = number * StepTicks;
            if (step.VelocityPercent == 0)
                continue;
            foreach (var note in notes.Where(n => n.StartTick <= tick && n.EndTick > tick))
                if (note.Number + step.Semitones is >= 0 and <= 127)
                    played.Add(new(tick, Math.Max(1, (long)StepTicks * step.GatePercent / 100), note.Number + step.Semitones,
                        Math.Clamp((int)Math.Round(note.Velocity * step.VelocityPercent / 100.0), 1, 127)));
        }

        return played;
    }

    internal override Refusal? Check(string channelName)
    {
        if (!(StepTicks is >= 1 and <= 4 * Ticks.PerQuarter))
            return new Refusal.OutOfRange($"The step of the step pattern on {channelName}", StepTicks, 1, 4 * Ticks.PerQuarter, "ticks");
        if (!(Steps.Count is >= 1 and <= MostSteps))
            return new Refusal.OutOfRange($"The steps of the step pattern on {channelName}", Steps.Count, 1, MostSteps, "");
        return Steps.Any(s => !(s.VelocityPercent is >= 0 and <= 200 && s.GatePercent is >= 1 and <= 100 && s.Semitones is >= -24 and <= 24))
            ? new Refusal.WrongPlace($"A step on {channelName}", "takes a velocity of 0 to 200 %, a gate of 1 to 100 % and −24 to 24 semitones")
            : null;
    }
}

/// <summary>One step.</summary>
/// <param name="VelocityPercent">Of the held note's velocity, in [0, 200]; 0 is a rest.</param>
/// <param name="Semitones">In [−24, 24].</param>
/// <param name="GatePercent">In [1, 100].</param>
public sealed record PatternStep(int VelocityPercent, int Semitones = 0, int GatePercent = 80);
