using HomeStage.Core.LineChecks;
using HomeStage.Core.Outside;

namespace HomeStage.Formats.DawProject;

/// <summary>Which lines of handwork the line check from outside has shown to be done.</summary>
public static class ProvenWork
{
    /// <returns>For each line whether it is.</returns>
    public static IReadOnlyList<bool> Of(IReadOnlyList<Handwork> work, TestSong song, OutsideAnswer answer) => [.. work.Select(w => w.Proof is { } proof && IsShown(proof, song, answer))];

    private static bool IsShown(WorkProof proof, TestSong song, OutsideAnswer answer) => proof switch
    {
        WorkProof.Whole whole => answer.Proven.Contains(whole.Channel) && (answer.SoundsAreThose || !whole.AsHere),
        WorkProof.Plays plays => answer.Rows.Where(r => r.Slot.Source.Channel == plays.Player).ToList() is var rows
            && rows.Exists(r => r.Verdict == OutsideVerdict.Arrived) && rows.TrueForAll(r => r.Verdict is OutsideVerdict.Arrived or OutsideVerdict.SilentHere),
        WorkProof.GivesWay way => answer.Duckers.Any(d => d.Trial.Ducker.Channel == way.Channel && d.Trial.Ducker.Insert == way.Insert && !d.IsIdleHere && d.Faults.Count == 0 && (way.By is not { } by || IsHitBy(d.Trial, song, by))),
        _ => false,
    };

    /// <summary>Only what the test struck is shown: a key that two channels feed is fed by one of them, for all that is known.</summary>
    private static bool IsHitBy(DuckerTrial trial, TestSong song, ChannelId by) =>
        trial.Hit is { } hit && (hit.Channel == by || (song.Template.Channels[hit.Channel].Kind == Core.Templates.ChannelKind.Instrument && LineCheck.Expected(song.Template, song.Act, hit).Contains(by)));
}
