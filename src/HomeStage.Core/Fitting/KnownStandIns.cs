using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Fitting;

/// <summary>Devices of a template from elsewhere that are known here: they are heard through the stand-ins that somebody chose for them, and are known to be as late and as heavy.</summary>
public static class KnownStandIns
{
    /// <param name="known">Those of the shelf and the studio, each with the id of its stand-in; the first that is the same is taken.</param>
    /// <returns>The same template where none is known. Settings and presets of the project stay.</returns>
    public static Template In(Template template, IReadOnlyList<(OutsideDevice Device, string StandIn)> known) => known.Count == 0
        ? template
        : template with { Channels = ChannelList.From(template.Channels.Select(c => c with { Source = SourceOf(c.Source, known), Inserts = c.Inserts.Select(i => InsertOf(i, known)).ToSequence() })) };

    private static Insert InsertOf(Insert insert, IReadOnlyList<(OutsideDevice Device, string StandIn)> known) =>
        insert.Device is { } device && Find(device, known, id => ProcessorCatalogue.Find(id) is not null) is { } found
            ? insert with { Processor = found.StandIn, Device = Joined(device, found.Device), Settings = found.StandIn == insert.Processor ? insert.Settings : Map<double>.Empty }
            : insert;

    private static Source? SourceOf(Source? source, IReadOnlyList<(OutsideDevice Device, string StandIn)> known) =>
        source is InstrumentSource { Device: { } device } played && Find(device, known, id => InstrumentCatalogue.Find(id) is not null) is { } found
            ? new InstrumentSource(found.StandIn, InstrumentCatalogue.Find(found.StandIn)!.Kit?.Together()) { Device = Joined(device, found.Device), Settings = found.StandIn == played.Instrument ? played.Settings : Map<double>.Empty }
            : source;

    private static (OutsideDevice Device, string StandIn)? Find(OutsideDevice device, IReadOnlyList<(OutsideDevice Device, string StandIn)> known, Func<string, bool> stands) =>
        known.Where(k => k.Device.IsSameAs(device) && stands(k.StandIn)).Select(k => ((OutsideDevice, string)?)k).FirstOrDefault();

    /// <summary>What the project says of the one that it holds goes before what is known of all.</summary>
    private static OutsideDevice Joined(OutsideDevice device, OutsideDevice known) => known with
    {
        DeviceId = device.DeviceId.Length > 0 ? device.DeviceId : known.DeviceId,
        Preset = device.Preset.Length > 0 ? device.Preset : known.Preset,
        State = device.State ?? known.State,
    };
}
