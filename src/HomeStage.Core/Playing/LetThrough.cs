using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Playing;

/// <summary>Which notes get through a channel's note processors.</summary>
public static class LetThrough
{
    /// <summary>Middle C.</summary>
    public const int PlainNote = 60;

    /// <param name="player">What plays notes.</param>
    /// <returns>A note that strikes it: middle C, or the lowest that gets through where that does not; null where none does.</returns>
    public static int? NoteOf(Channel player) => Enumerable.Range(0, 128).Prepend(PlainNote).Select(n => (int?)n).FirstOrDefault(n => Strikes(player, n!.Value));

    private static bool Strikes(Channel player, int note) => NoteProcessor.Through(player.NoteProcessors, [new(0, Ticks.PerQuarter, note, 100)]).Count > 0;
}
