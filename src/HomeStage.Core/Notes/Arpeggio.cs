using HomeStage.Core.Timing;

namespace HomeStage.Core.Notes;

/// <summary>Plays the held notes one after the other, at every step of a grid that stands on the timeline.</summary>
/// <param name="StepTicks">In [1, 4 quarters].</param>
/// <param name="Octaves">In [1, 4]: how far up the round goes.</param>
/// <param name="GatePercent">Length of a note within its step, in [1, 100].</param>
/// <remarks>The round starts again whenever a step finds nothing held.</remarks>
public sealed record Arpeggio(ArpeggioOrder Order, int StepTicks, int Octaves = 1, int GatePercent = 80) : NoteProcessor
{
    public override IReadOnlyList<TimedNote> Apply(IReadOnlyList<TimedNote> notes)
    {
        var played = new List<TimedNote>();
        if (notes.Count == 0)
            return played;
        var end = notes.Max(n => n.EndTick);
        var place = 0;
        for (var tick = notes[0].StartTick / StepTicks * StepTicks; tick < end; tick += StepTicks)
        {
            var round = Round([.. notes.Where(n => n.StartTick <= tick && n.EndTick > tick)]);
            if (round.Count == 0)
            {
                place = 0;
                continue;
            }

            var note = round[place++ % round.Count];
            played.Add(new(tick, Math.Max(1, (long)StepTicks * GatePercent / 100), note.Number, note.Velocity));
        }

        return played;
    }

    internal override Refusal? Check(string channelName)
    {
        if (!(StepTicks is >= 1 and <= 4 * Ticks.PerQuarter))
            return new Refusal.OutOfRange($"The step of the arpeggio on {channelName}", StepTicks, 1, 4 * Ticks.PerQuarter, "ticks");
        if (!(Octaves is >= 1 and <= 4))
            return new Refusal.OutOfRange($"The octaves of the arpeggio on {channelName}", Octaves, 1, 4, "");
        return GatePercent is >= 1 and <= 100 ? null : new Refusal.OutOfRange($"The gate of the arpeggio on {channelName}", GatePercent, 1, 100, "%");
    }

    private List<TimedNote> Round(List<TimedNote> held)
    {
        var rising = Order == ArpeggioOrder.AsPlayed ? held : [.. held.OrderBy(n => n.Number)];
        var all = Enumerable.Range(0, Octaves)
            .SelectMany(octave => rising.Select(n => n with { Number = n.Number + 12 * octave }))
            .Where(n => n.Number <= 127)
            .ToList();
        switch (Order)
        {
            case ArpeggioOrder.Down:
                all.Reverse();
                return all;
            case ArpeggioOrder.UpAndDown:
                // The turning notes sound once.
                all.AddRange(all.Skip(1).SkipLast(1).Reverse().ToList());
                return all;
            default:
                return all;
        }
    }
}

public enum ArpeggioOrder
{
    Up,
    Down,
    UpAndDown,
    AsPlayed,
}
