using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Words;

/// <summary>Edits of what a channel plays and how it is played.</summary>
internal static class SourceWords
{
    public static string? Of(Edit edit, Template t) => edit switch
    {
        SetSource e => Taken(e, t),
        SetInstrumentSetting e => Turned(e, t),
        SetDevice e => Meant(e, t),
        SetStandIn e => $"{t.Name(e.Channel)}: {DeviceAt(e.Channel, e.Insert, t)?.Name ?? "its device"} is heard through {StandIn(e.StandIn)}",
        SetSettings { Insert: null } e => e.Patch is null ? $"{t.Name(e.Channel)}: its instrument is set anew" : $"{t.Name(e.Channel)} starts from the patch {e.Patch}",
        KeepPatch e => $"{t.Name(e.Channel)}: its settings{(e.Insert is { } id ? $" of {t.Insert(e.Channel, id)}" : "")} are kept as the patch {e.Name}",
        TakePatch { Insert: { } id } e => $"{t.Name(e.Channel)}: {t.Insert(e.Channel, id)} takes the patch {e.Name}",
        TakePatch e => $"{t.Name(e.Channel)} starts from the patch {e.Name}",
        PutPattern e => Has(t.Find(e.Channel)?.Patterns.Any(p => p.Name == e.Pattern.Name), t.Name(e.Channel), "starter", e.Pattern.Name),
        RemovePattern e => $"{t.Name(e.Channel)} loses the starter {e.Name}",
        PutStarter e => Has(t.Find(e.Channel)?.Starters.Any(s => s.Name == e.Starter.Name), t.Name(e.Channel), "sound", e.Starter.Name),
        RemoveStarter e => $"{t.Name(e.Channel)} loses the sound {e.Name}",
        SetNoteInput e => e.Input is null ? $"{t.Name(e.Channel)} is played by any device" : $"{t.Name(e.Channel)}: how it is played is changed",
        SetNoteProcessors e => e.Processors.Count == 0 ? $"{t.Name(e.Channel)}: its notes pass through nothing" : $"{t.Name(e.Channel)}: its notes pass through {Wording.Count(e.Processors.Count, "processor")}",
        SetPlays e => $"{t.Name(e.Channel)} plays {Played(e, t)}",
        SetGroove e => e.Groove is null ? $"{t.Name(e.Channel)} plays straight" : $"{t.Name(e.Channel)} follows the groove {e.Groove}",
        _ => null,
    };

    private static string Taken(SetSource e, Template t)
    {
        var was = Wording.Source(t, t.Find(e.Channel)?.Source);
        var now = Wording.Source(t, e.Source);
        return was == now ? $"{t.Name(e.Channel)}: the pieces or outputs of {now} are changed" : $"{t.Name(e.Channel)} takes {now} instead of {was}";
    }

    private static string Meant(SetDevice e, Template t)
    {
        var was = DeviceAt(e.Channel, e.Insert, t);
        return (was, e.Device) switch
        {
            ({ } old, { } now) when old.IsSameAs(now) => $"{t.Name(e.Channel)}: what is known of {now.Name} is changed",
            ({ } old, { } now) => $"{t.Name(e.Channel)}: {now.Name} takes the place of {old.Name}",
            (null, { } now) => $"{t.Name(e.Channel)}: {StandInAt(e.Channel, e.Insert, t)} stands in for {now.Name}",
            ({ } old, null) => $"{t.Name(e.Channel)}: {StandInAt(e.Channel, e.Insert, t)} stands in for {old.Name} no more",
            _ => $"{t.Name(e.Channel)}: {StandInAt(e.Channel, e.Insert, t)} stands in for nothing",
        };
    }

    private static OutsideDevice? DeviceAt(ChannelId channel, InsertId? insert, Template t) => insert is { } id
        ? t.Find(channel)?.Inserts.FirstOrDefault(i => i.Id == id)?.Device
        : (t.Find(channel)?.Source as InstrumentSource)?.Device;

    private static string StandInAt(ChannelId channel, InsertId? insert, Template t) => insert is { } id
        ? StandIn(t.Find(channel)?.Inserts.FirstOrDefault(i => i.Id == id)?.Processor ?? id.Value)
        : (t.Find(channel)?.Source as InstrumentSource)?.Instrument is { } instrument ? StandIn(instrument) : "what it plays";

    private static string StandIn(string id) => InstrumentCatalogue.Find(id)?.Name ?? (id == ProcessorCatalogue.Through ? "nothing" : Wording.Processor(id));

    private static string Turned(SetInstrumentSetting e, Template t)
    {
        var source = t.Find(e.Channel)?.Source as InstrumentSource;
        var parameter = source is null ? null : source.Find(e.Parameter);
        double? old = source is not null && source.Settings.TryGetValue(e.Parameter, out var was) ? was : null;
        return $"{t.Name(e.Channel)}: {parameter?.Name.InASentence() ?? e.Parameter} {Wording.Value(parameter, old)} → {Wording.Value(parameter, e.Value)}";
    }

    private static string Played(SetPlays e, Template t)
    {
        var targets = e.Plays.Select(id => t.Name(id)).Concat(e.MidiOut is { } port ? [$"{port.Device} on MIDI channel {port.MidiChannel}"] : Array.Empty<string>()).ToList();
        return targets.Count == 0 ? "nothing" : string.Join(", ", targets);
    }

    private static string Has(bool? known, string channel, string what, string name) =>
        known == true ? $"{channel}: the {what} {name} is changed" : $"{channel} has the {what} {name}";
}
