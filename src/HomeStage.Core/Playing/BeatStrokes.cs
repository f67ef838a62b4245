using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Playing;

/// <summary>The plainest rhythm that there is: a stroke on every felt beat.</summary>
public static class BeatStrokes
{
    /// <summary>A key tone of a 64th: long enough for a detector, shorter than any recovery that is asked for.</summary>
    public const int ToneTicks = Ticks.PerQuarter / 16;

    /// <param name="player">A trigger or an instrument.</param>
    /// <param name="notes">Which of its notes are struck; none for any that its note processors let through.</param>
    /// <returns>Null where they let none through.</returns>
    public static Pattern? Of(Channel player, Meter meter, IReadOnlyCollection<int> notes)
    {
        IEnumerable<int> wanted = notes.Count > 0 ? notes : LetThrough.NoteOf(player) is { } note ? [note] : [];
        var struck = wanted.Distinct().Order().ToList();
        return struck.Count == 0 ? null : new("Every beat", meter.TicksPerFeltBeat, [.. struck.Select(n => new Note(0, Math.Min(ToneTicks, meter.TicksPerFeltBeat), n, 100))], []);
    }
}
