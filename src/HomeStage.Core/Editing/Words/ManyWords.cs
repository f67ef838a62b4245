using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Words;

/// <summary>Edits of many channels at once.</summary>
internal static class ManyWords
{
    private const int MostNamed = 4;

    public static string? Of(Edit edit, Template t) => edit switch
    {
        NameChannels e => $"{Names(e.Channels, t)} {(e.Channels.Count == 1 ? "is" : "are")} named {e.Pattern}",
        BusAround e => $"{e.Name} is put around {Names(e.Channels, t)}",
        DuplicateChannels e => $"{Names(e.Channels, t)} {(e.Channels.Count == 1 ? "is" : "are")} duplicated",
        AddSends e => $"{Names(e.Channels, t)} {(e.Channels.Count == 1 ? "sends" : "send")} to {t.Name(e.Send.To)}, {e.Send.Level}",
        LayChain e => $"{Names(e.Channels, t)} {(e.Channels.Count == 1 ? "gets" : "get")} the chain {StripSummary.Of(e.Strip)}",
        LayStrip e => $"{Names(e.Channels, t)} {(e.Channels.Count == 1 ? "gets" : "get")} the strip: {StripSummary.Of(e.Strip)}",
        SetAlike e => $"{Names(e.Channels, t)}: {(e.Parameter is { } field ? $"{t.Find(e.From)?.Inserts.FirstOrDefault(i => i.Id == e.Insert)?.Find(field)?.Name.InASentence() ?? field} of the" : "the")} {t.Insert(e.From, e.Insert)} set as on {t.Name(e.From)}",
        StandAlike e => $"{Names(e.Channels, t)}: the {t.Insert(e.From, e.Insert)} {Stands(e, t)}",
        MonitorInputs e => $"{Names(e.Channels, t)}: {Heard(e)}",
        TakeInputs e => $"{Names(e.Channels, t)} {(e.Channels.Count == 1 ? "takes" : "take")} inputs from {e.First} on",
        TakeSpare e => e.Name is null ? $"The next spare under {t.Name(e.Under)} is taken" : $"{e.Name} takes the next spare under {t.Name(e.Under)}",
        TurnInto e => $"{t.Name(e.Channel)} becomes {(e.Kind == ChannelKind.Audio ? "an audio channel" : "an instrument")}",
        AddPrintTwin e => $"{t.Name(e.Channel)} gets a channel for its print",
        RestoreChannels e => Restored(e, t),
        RestoreActs => "The acts are as they were",
        _ => null,
    };

    private static string Restored(RestoreChannels e, Template t)
    {
        var back = e.Channels.Where(c => c.Place is not null).Select(c => c.Channel.Name).ToList();
        if (back.Count > 0)
            return $"{Listed(back)} {(back.Count == 1 ? "is" : "are")} back";
        return e.Gone.Count > 0 ? $"{Names(e.Gone, t)} {(e.Gone.Count == 1 ? "is" : "are")} taken away again" : $"{Listed([.. e.Channels.Select(c => c.Channel.Name)])} as before";
    }

    private static string Names(Sequence<ChannelId> channels, Template t) => Listed([.. channels.Select(id => t.Name(id))]);

    private static string Listed(List<string> names) =>
        names.Count <= MostNamed ? string.Join(", ", names) : $"{string.Join(", ", names.Take(MostNamed - 1))} and {names.Count - MostNamed + 1} more";

    private static string Stands(StandAlike e, Template t) => (e.Act, e.Live) switch
    {
        (null, true) => "on",
        (null, false) => "off in every act",
        ({ } act, true) => $"live in {t.Act(act)}",
        ({ } act, false) => $"parked in {t.Act(act)}",
    };

    private static string Heard(MonitorInputs e)
    {
        var monitored = e.Monitored switch { true => "monitored", false => "not monitored", _ => null };
        var armed = e.Armed switch { true => "armed", false => "not armed", _ => null };
        return string.Join(", ", new[] { monitored, armed }.OfType<string>());
    }
}
