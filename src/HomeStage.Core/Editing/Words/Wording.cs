using System.Globalization;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Templates;
using HomeStage.Core.Writing;

namespace HomeStage.Core.Editing.Words;

/// <summary>How names and values are written in sentences.</summary>
internal static class Wording
{
    public static string Name(this Template template, ChannelId id) => template.Channels.TryGet(id, out var channel) ? channel.Name : id.Value;

    public static string Name(this Template template, ChannelId? id) => id is { } known ? template.Name(known) : "nothing";

    public static Channel? Find(this Template template, ChannelId id) => template.Channels.TryGet(id, out var channel) ? channel : null;

    public static string Insert(this Template template, ChannelId id, InsertId insert)
    {
        var found = template.Find(id)?.Inserts.FirstOrDefault(i => i.Id == insert);
        return found is null ? insert.Value : found.Device?.Name ?? Processor(found.Processor);
    }

    public static string Processor(string id) => ProcessorCatalogue.Find(id)?.Name.InASentence() ?? id;

    public static string Act(this Template template, string id) => template.Acts.FirstOrDefault(a => a.Id == id)?.Name ?? id;

    public static string Pan(double pan) => pan == 0 ? "centre" : string.Create(CultureInfo.InvariantCulture, $"{Math.Abs(pan) * 100:0} % {(pan < 0 ? "left" : "right")}");

    public static string Value(Parameter? parameter, double? value)
    {
        if (value is not { } number)
            return parameter is null ? "its default" : Value(parameter, parameter.Default);
        return parameter?.Word(number) ?? WrittenValue.Of(number, parameter?.Unit ?? Unit.Number, 2);
    }

    public static string Count(int count, string what) => count == 1 ? $"1 {what}" : string.Create(CultureInfo.InvariantCulture, $"{count} {what}s");

    public static string State(StageState state) => state switch
    {
        StageState.OnStage => "on stage",
        StageState.BehindTheCurtain => "behind the curtain",
        _ => "in the wings",
    };

    public static string Source(Template template, Source? source) => source switch
    {
        InstrumentSource i => i.Title(),
        OutputSource o => string.Create(CultureInfo.InvariantCulture, $"output {o.Output} of {template.Name(o.Instrument)}{(o.Monitored ? "" : ", not monitored")}"),
        InputSource { Second: { } second } i => string.Create(CultureInfo.InvariantCulture, $"inputs {i.First} and {second}{Called(i)}{Switches(i.Monitored, i.Armed)}"),
        InputSource i => string.Create(CultureInfo.InvariantCulture, $"input {i.First}{Called(i)}{Switches(i.Monitored, i.Armed)}"),
        InternalSource i => $"what {template.Name(i.From)} plays, {Tap(i.Tap)} the fader{Switches(false, i.Armed)}",
        _ => "nothing",
    };

    public static string Tap(TapPoint tap) => tap == TapPoint.Pre ? "before" : "after";

    private static string Called(InputSource input) => (input.FirstName, input.SecondName) switch
    {
        (null, null) => "",
        ({ } first, { } second) => $" ({first}, {second})",
        _ => $" ({input.FirstName ?? input.SecondName})",
    };

    private static string Switches(bool monitored, bool armed) => (monitored ? ", monitored" : "") + (armed ? ", armed" : "");
}
