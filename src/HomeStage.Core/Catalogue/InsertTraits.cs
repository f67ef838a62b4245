using HomeStage.Core.Controls;
using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Catalogue;

/// <summary>What an insert is and can do, whether it is a processor of ours or a device that one stands in for.</summary>
public static class InsertTraits
{
    /// <exception cref="KeyNotFoundException">The catalogue has no such processor.</exception>
    public static ProcessorKind Kind(this Insert insert) =>
        ProcessorCatalogue.Find(insert.Processor) ?? throw new KeyNotFoundException($"There is no processor '{insert.Processor}'.");

    /// <summary>What people call it.</summary>
    public static string Title(this Insert insert) => insert.Device?.Name ?? ProcessorCatalogue.Find(insert.Processor)?.Name ?? insert.Processor;

    /// <summary>Whether it has a key input.</summary>
    public static bool TakesKey(this Insert insert) => insert.Device is { } device ? device.Key != KeyWidth.None : ProcessorCatalogue.Find(insert.Processor) is { HasKey: true };

    /// <summary>Its controls: those of the processor, then those that its device is known by.</summary>
    public static IEnumerable<Parameter> Parameters(this Insert insert) =>
        (ProcessorCatalogue.Find(insert.Processor)?.Parameters ?? []).Concat(insert.Device.Parameters());

    public static Parameter? Find(this Insert insert, string parameter) =>
        DeviceControl.IsOne(parameter) ? insert.Device.Parameters().FirstOrDefault(p => p.Id == parameter) : ProcessorCatalogue.Find(insert.Processor)?.Find(parameter);

    /// <summary>Frames by which it is late as it declares itself; 0 for a device that does not know.</summary>
    public static int LatencyFrames(this Insert insert, int sampleRateHz) =>
        insert.Device is { } device ? device.Latency?.FramesAt(sampleRateHz) ?? 0 : insert.OwnLatencyFrames(sampleRateHz);

    /// <summary>Frames by which it is late as it is heard here: a stand-in is never earlier than it can be.</summary>
    public static int HeardLatencyFrames(this Insert insert, int sampleRateHz) => Math.Max(insert.LatencyFrames(sampleRateHz), insert.OwnLatencyFrames(sampleRateHz));

    /// <summary>Frames by which the processor itself is late.</summary>
    public static int OwnLatencyFrames(this Insert insert, int sampleRateHz) => ProcessorCatalogue.Find(insert.Processor)?.LatencyFrames(insert.Settings, sampleRateHz) ?? 0;

    internal static IEnumerable<Parameter> Parameters(this OutsideDevice? device) => device?.Controls.Select(c => c.Parameter) ?? [];
}
