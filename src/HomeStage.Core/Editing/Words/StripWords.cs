using System.Globalization;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Words;

/// <summary>Edits of inserts, sends, sidechains and prepared curves.</summary>
internal static class StripWords
{
    public static string? Of(Edit edit, Template t) => edit switch
    {
        AddInsert e => $"{t.Name(e.Channel)} has a new {e.Insert.Device?.Name ?? Wording.Processor(e.Insert.Processor)}",
        MakeInsert e => $"{t.Name(e.Channel)} has a new {e.Device?.Name ?? Wording.Processor(e.Processor)}",
        ReplaceInsert e => $"{t.Name(e.Channel)}: {Wording.Processor(e.Processor)} in the place of the {t.Insert(e.Channel, e.Insert)}",
        RemoveInsert e => $"{t.Name(e.Channel)} loses its {t.Insert(e.Channel, e.Insert)}{FeedsLost(e, t)}",
        MoveInsert e => string.Create(CultureInfo.InvariantCulture, $"{t.Name(e.Channel)}: the {t.Insert(e.Channel, e.Insert)} stands at place {e.Place + 1} of the strip"),
        ParkInsert e => e.ParkedIn.Count == 0
            ? $"{t.Name(e.Channel)}: the {t.Insert(e.Channel, e.Insert)} is live in every act"
            : $"{t.Name(e.Channel)}: the {t.Insert(e.Channel, e.Insert)} is parked in {string.Join(", ", e.ParkedIn.Select(t.Act))}",
        SwitchInsert e => $"{t.Name(e.Channel)}: the {t.Insert(e.Channel, e.Insert)} is {(e.Off ? "off in every act" : "on")}",
        PutChain e => ChainWords(e, t),
        RemoveChain e => $"{t.Name(e.Channel)}: the chain {ChainOf(e.Channel, e.Chain, t)?.Name ?? e.Chain} is taken apart",
        TurnChain e => TurnedWords(e, t),
        SetParameter e => Turned(e, t),
        SetSettings { Insert: { } insert } e => $"{t.Name(e.Channel)}: the {t.Insert(e.Channel, insert)} is set anew",
        SetKey e => $"{t.Name(e.Channel)}: the key input of the {t.Insert(e.Channel, e.Insert)} is {KeyWords(e.Key)}",
        SetWaitsFor e => $"{t.Name(e.Channel)}: the {t.Insert(e.Channel, e.Insert)} {Waits(e.WaitsFor)}",
        KeepForAutomation e => $"{t.Name(e.Channel)}: the {t.Insert(e.Channel, e.Insert)} is {(e.Kept ? "kept for automation" : "kept for automation no more")}",
        NoteInsert e => $"{t.Name(e.Channel)}: {(e.Text.Length > 0 ? "a note" : "no note")} on {(e.Parameter is { } about ? $"{t.Find(e.Channel)?.Inserts.FirstOrDefault(i => i.Id == e.Insert)?.Find(about)?.Name.InASentence() ?? about} of " : "")}the {t.Insert(e.Channel, e.Insert)}{(e.Text.Length > 0 ? "" : " any more")}",
        SetTrigger e => $"{t.Name(e.Channel)}: the {t.Insert(e.Channel, e.Insert)} {Restarted(e.Trigger, t)}",
        PutSend e => Sent(e, t),
        RemoveSend e => $"{t.Name(e.Channel)} sends to {t.Name(e.To)} no more",
        PutFeed e => $"{t.Name(e.Channel)} steers the {t.Insert(e.Feed.Channel, e.Feed.Insert)} on {t.Name(e.Feed.Channel)}, {e.Feed.Level} {Wording.Tap(e.Feed.Tap)} the fader",
        RemoveFeed e => $"{t.Name(e.Channel)} steers the {t.Insert(e.ToChannel, e.ToInsert)} on {t.Name(e.ToChannel)} no more",
        PutShape e => $"{t.Name(e.Channel)}: a curve of its {Value(e.Shape.Target, e.Channel, t)} over {t.Timeline.NameOf(e.Shape.Section)}",
        RemoveShape e => $"{t.Name(e.Channel)}: no curve of its {Value(e.Target, e.Channel, t)} over {t.Timeline.NameOf(e.Section)} any more",
        _ => null,
    };

    private static Chain? ChainOf(ChannelId channel, string id, Template t) => t.Find(channel)?.Chains.FirstOrDefault(c => c.Id == id);

    private static string ChainWords(PutChain e, Template t)
    {
        var what = $"{Wording.Count(e.Chain.Inserts.Count, "insert")} and {Wording.Count(e.Chain.Controls.Count, "control")}";
        return ChainOf(e.Channel, e.Chain.Id, t) is null
            ? $"{t.Name(e.Channel)} has a chain {e.Chain.Name} of {what}"
            : $"{t.Name(e.Channel)}: the chain {e.Chain.Name} is of {what}";
    }

    private static string TurnedWords(TurnChain e, Template t)
    {
        var chain = ChainOf(e.Channel, e.Chain, t);
        var control = chain?.Controls.FirstOrDefault(c => c.Id == e.Control);
        var was = control is null ? "" : string.Create(CultureInfo.InvariantCulture, $"{control.Position * 100:0.#} → ");
        return string.Create(CultureInfo.InvariantCulture, $"{t.Name(e.Channel)}, {chain?.Name ?? e.Chain}: {control?.Name ?? e.Control} {was}{e.Position * 100:0.#} %");
    }

    private static string Turned(SetParameter e, Template t)
    {
        var insert = t.Find(e.Channel)?.Inserts.FirstOrDefault(i => i.Id == e.Insert);
        var parameter = insert is null ? null : insert.Find(e.Parameter);
        double? old = insert is not null && insert.Settings.TryGetValue(e.Parameter, out var was) ? was : null;
        return $"{t.Name(e.Channel)}, {t.Insert(e.Channel, e.Insert)}: {parameter?.Name.InASentence() ?? e.Parameter} {Wording.Value(parameter, old)} → {Wording.Value(parameter, e.Value)}";
    }

    private static string Sent(PutSend e, Template t)
    {
        var was = t.Find(e.Channel)?.Sends.FirstOrDefault(s => s.To == e.Send.To);
        var now = $"{e.Send.Level} {Wording.Tap(e.Send.Tap)} the fader{(e.Send.Open ? "" : ", closed")}";
        return was is null
            ? $"{t.Name(e.Channel)} sends to {t.Name(e.Send.To)}, {now}"
            : $"{t.Name(e.Channel)} → {t.Name(e.Send.To)}: {was.Level}{(was.Open ? "" : ", closed")} → {now}";
    }

    private static string KeyWords(KeyInput? key) => key switch
    {
        null => "taken away",
        { On: false } => "off",
        { LowCutHz: null, HighCutHz: null } => "on",
        _ => string.Create(CultureInfo.InvariantCulture, $"on, hearing {key.LowCutHz?.ToString("0", CultureInfo.InvariantCulture) ?? "20"} to {key.HighCutHz?.ToString("0", CultureInfo.InvariantCulture) ?? "20000"} Hz"),
    };

    private static string Waits(WaitsFor? waits) => waits?.What switch
    {
        null => "waits for nothing",
        WaitReason.SongKey => "waits for the song's key",
        _ => waits.Note.Length > 0 ? $"waits for {waits.Note}" : "waits",
    };

    private static string Restarted(NoteTrigger? trigger, Template t)
    {
        if (trigger is null)
            return "follows the plain curve on every quarter";
        var by = trigger.Notes.Select(n => t.Name(n)).ToList();
        if (trigger.EveryQuarters is { } every)
            by.Add(string.Create(CultureInfo.InvariantCulture, $"every {every:0.###} quarters"));
        var which = trigger.Numbers.Count == 0 ? "" : $", by notes {string.Join(", ", trigger.Numbers)} alone";
        return by.Count == 0 ? "is restarted by nothing" : $"is restarted by {string.Join(", ", by)}{which}";
    }

    private static string Value(Target target, ChannelId channel, Template t) => target switch
    {
        SendTarget send => $"send to {t.Name(send.To)}",
        _ => t.Find(channel) is { } found && target.RangeOn(found) is { } range ? range.Name.InASentence() : "lost value",
    };

    private static string FeedsLost(RemoveInsert e, Template t)
    {
        var feeding = t.Channels.Where(c => c.Feeds.Any(f => f.Channel == e.Channel && f.Insert == e.Insert)).Select(c => c.Name).ToList();
        return feeding.Count == 0 ? "" : $", and the {(feeding.Count == 1 ? "feed" : "feeds")} from {string.Join(", ", feeding)} with it";
    }
}
