using HomeStage.Core.Controls;
using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Catalogue;

/// <summary>What a played instrument is and can do, whether it is one of ours or a device that one stands in for.</summary>
public static class InstrumentTraits
{
    /// <summary>What people call it.</summary>
    public static string Title(this InstrumentSource source) => source.Device?.Name ?? InstrumentCatalogue.Find(source.Instrument)?.Name ?? source.Instrument;

    /// <summary>Its controls: those of the instrument, then those that its device is known by.</summary>
    public static IEnumerable<Parameter> Parameters(this InstrumentSource source) =>
        (InstrumentCatalogue.Find(source.Instrument)?.Parameters ?? []).Concat(source.Device.Parameters());

    public static Parameter? Find(this InstrumentSource source, string parameter) =>
        DeviceControl.IsOne(parameter) ? source.Device.Parameters().FirstOrDefault(p => p.Id == parameter) : InstrumentCatalogue.Find(source.Instrument)?.Find(parameter);

    /// <summary>Frames by which it is late as it declares itself; 0 for one of ours, and for a device that does not know.</summary>
    public static int LatencyFrames(this InstrumentSource source, int sampleRateHz) => source.Device?.Latency?.FramesAt(sampleRateHz) ?? 0;
}
