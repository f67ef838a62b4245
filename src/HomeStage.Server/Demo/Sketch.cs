using HomeStage.Core.Timing;

namespace HomeStage.Server.Demo;

/// <summary>Patterns as one jots them down: a line a piece, a sign a step.</summary>
internal static class Sketch
{
    public const int Eighth = Ticks.PerQuarter / 2;
    public const int Sixteenth = Ticks.PerQuarter / 4;

    /// <param name="lines">Note number and its steps: "." rests, "o" is soft, "x" plain, "X" hard; blanks are for the eye.</param>
    public static Pattern Beats(string name, int stepTicks, string[] sections, params (int Note, string Steps)[] lines)
    {
        var steps = lines.Select(l => (l.Note, Steps: l.Steps.Replace(" ", "", StringComparison.Ordinal))).ToList();
        var notes = steps.SelectMany(l => l.Steps.Select((sign, i) => (l.Note, sign, i)))
            .Where(s => s.sign != '.')
            .Select(s => new Note(s.i * stepTicks, stepTicks * 3 / 4, s.Note, VelocityOf(s.sign)));
        return Sorted(name, steps.Max(l => l.Steps.Length) * stepTicks, notes, sections);
    }

    /// <param name="notes">Start and length in steps, note number, velocity.</param>
    public static Pattern Line(string name, int stepTicks, int steps, string[] sections, params (double Start, double Length, int Note, int Velocity)[] notes) =>
        Sorted(name, steps * stepTicks,
            notes.Select(n => new Note((int)(n.Start * stepTicks), (int)(n.Length * stepTicks), n.Note, n.Velocity)), sections);

    /// <summary>Chords broken upwards and back, one chord a bar.</summary>
    public static Pattern Broken(string name, int stepTicks, int stepsPerBar, string[] sections, params int[][] chords)
    {
        var notes = chords.SelectMany((chord, bar) => Enumerable.Range(0, stepsPerBar).Select(step =>
        {
            int[] path = [.. chord, chord[0] + 12, .. chord.Skip(1).Reverse()];
            return new Note((bar * stepsPerBar + step) * stepTicks, stepTicks * 5 / 4, path[step % path.Length], step == 0 ? 92 : 66 + 5 * (step % 3));
        }));
        return Sorted(name, chords.Length * stepsPerBar * stepTicks, notes, sections);
    }

    /// <summary>Chords held, one a bar.</summary>
    public static Pattern Held(string name, int barTicks, string[] sections, params int[][] chords)
    {
        var notes = chords.SelectMany((chord, bar) => chord.Select((note, i) =>
            new Note(bar * barTicks + 20 * i, barTicks - 60, note, 74)));
        return Sorted(name, chords.Length * barTicks, notes, sections);
    }

    private static Pattern Sorted(string name, int lengthTicks, IEnumerable<Note> notes, string[] sections) =>
        new(name, lengthTicks, notes.OrderBy(n => n.StartTick).ThenBy(n => n.Number).ToSequence(), sections.ToSequence());

    private static int VelocityOf(char sign) => sign switch { 'o' => 58, 'x' => 90, 'X' => 116, _ => throw new ArgumentException($"'{sign}' is no step.", nameof(sign)) };
}
