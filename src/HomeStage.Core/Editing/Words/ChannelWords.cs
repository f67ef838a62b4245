using System.Globalization;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Words;

/// <summary>Edits of what a channel is and where it goes.</summary>
internal static class ChannelWords
{
    public static string? Of(Edit edit, Template t) => edit switch
    {
        AddChannel e => $"{e.Channel.Name} is new{(e.Channel.Destination is { } to ? $" under {t.Name(to)}" : "")}",
        MakeChannel e => Of(new AddChannel(ChannelFactory.Make(t, e.Wish)), t),
        RemoveChannel e => $"{t.Name(e.Channel)} is removed",
        RenameChannel e => $"{t.Name(e.Channel)} is now called {e.Name}",
        MoveChannel e => Moved(e, t),
        SetDestination e => $"{t.Name(e.Channel)} feeds {t.Name(e.Destination)} instead of {t.Name(t.Find(e.Channel)?.Destination)}",
        SetFormat e => $"{t.Name(e.Channel)} is {e.Format.ToString().ToLowerInvariant()}",
        SetHue e => e.HueDegrees is { } hue ? string.Create(CultureInfo.InvariantCulture, $"{t.Name(e.Channel)} takes hue {hue:0}°") : $"{t.Name(e.Channel)} takes the hue of what it feeds",
        SetNote e => e.Note.Length == 0 ? $"The note on {t.Name(e.Channel)} is gone" : $"The note on {t.Name(e.Channel)} is rewritten",
        SetRole e => e.Role is null ? $"{t.Name(e.Channel)} takes its role from its name" : $"{t.Name(e.Channel)} is for {e.Role}",
        SetLevel e => $"{t.Name(e.Channel)}: level {t.Find(e.Channel)?.Level} → {e.Level}",
        SetPan e => $"{t.Name(e.Channel)}: pan {Wording.Pan(t.Find(e.Channel)?.Pan ?? 0)} → {Wording.Pan(e.Pan)}",
        SetMute e => $"{t.Name(e.Channel)} is {(e.Muted ? "muted" : "open again")}",
        SetPolarity e => $"{t.Name(e.Channel)}: polarity {(e.Flipped ? "flipped" : "upright")}",
        SetOutputPair e => string.Create(CultureInfo.InvariantCulture, $"{t.Name(e.Channel)} goes to outputs {2 * e.OutputPair - 1}–{2 * e.OutputPair}{(e.Name is null ? "" : $", {e.Name}")}"),
        TakeInput e => $"{t.Name(e.Channel)} takes {Wording.Source(t, e.Input)}{Stops(t.Find(e.Channel)?.Source as InputSource, e.Input)}",
        SetStage e => $"{t.Name(e.Channel)} is {Wording.State(e.State)} in {t.Act(e.Act)}",
        SetSpare e => e.Spare ? $"{t.Name(e.Channel)} waits as a spare" : $"{t.Name(e.Channel)} is a spare no more",
        SetPrintTwin e => e.Twin is { } twin ? $"{t.Name(e.Channel)} prints to {t.Name(twin)}" : $"{t.Name(e.Channel)} prints nowhere",
        _ => null,
    };

    /// <summary>What another input ends that was so before.</summary>
    private static string Stops(InputSource? was, InputSource now) =>
        (was is { Monitored: true } && !now.Monitored ? ", monitored no more" : "") + (was is { Armed: true } && !now.Armed ? ", armed no more" : "");

    private static string Moved(MoveChannel move, Template t)
    {
        var before = move.Before is { } next ? $", before {t.Name(next)}" : "";
        return t.Find(move.Channel)?.Destination == move.Destination
            ? $"{t.Name(move.Channel)} stands elsewhere{before}"
            : $"{t.Name(move.Channel)} moves under {t.Name(move.Destination)}{before}";
    }
}
