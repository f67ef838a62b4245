using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;

namespace HomeStage.Core.Studios;

/// <summary>What a studio must keep to.</summary>
public static class StudioRules
{
    public const double ShortestBudgetMs = 1;
    public const double LongestBudgetMs = 1000;
    public const int MostRates = 16;

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? Check(Studio studio) =>
        CheckInterface(studio.Interface)
        ?? (studio.BudgetMs >= ShortestBudgetMs && studio.BudgetMs <= LongestBudgetMs ? null : new Refusal.OutOfRange("How late an input may be heard", studio.BudgetMs, ShortestBudgetMs, LongestBudgetMs, "ms"))
        ?? (studio.MidiDevices.Count > Studio.MostMidiDevices ? new Refusal.TooMany("MIDI devices", Studio.MostMidiDevices) : null)
        ?? studio.MidiDevices.Select(m => TextRules.Name("A MIDI device's name", m)).FirstOrDefault(r => r is not null)
        ?? Doubled("MIDI device", studio.MidiDevices)
        ?? (studio.Devices.Count > Studio.MostDevices ? new Refusal.TooMany("devices in a studio", Studio.MostDevices) : null)
        ?? studio.Devices.Select(CheckDevice).FirstOrDefault(r => r is not null)
        ?? CheckTwice(studio.Devices);

    private static Refusal? CheckInterface(AudioInterface audio) =>
        TextRules.Name("An audio interface's name", audio.Name)
        ?? CheckJacks("input", audio.Inputs)
        ?? CheckJacks("output", audio.Outputs)
        ?? (audio.BufferFrames is >= 1 and <= AudioInterface.LargestBuffer ? null : new Refusal.OutOfRange("The buffer", audio.BufferFrames, 1, AudioInterface.LargestBuffer, "frames"))
        ?? (audio.RatesHz.Count > MostRates ? new Refusal.TooMany("sample rates", MostRates) : (Refusal?)null)
        ?? audio.RatesHz.Where(r => r is not (>= DeviceLatency.SlowestRateHz and <= DeviceLatency.FastestRateHz))
            .Select(r => new Refusal.OutOfRange("A sample rate", r, DeviceLatency.SlowestRateHz, DeviceLatency.FastestRateHz, "Hz")).FirstOrDefault();

    private static Refusal? CheckJacks(string what, Sequence<string> names) =>
        names.Count > AudioInterface.MostJacks ? new Refusal.TooMany($"{what}s of an audio interface", AudioInterface.MostJacks)
        : names.Where(n => n.Length > 0).Select(n => TextRules.Name($"The name of an {what}", n)).FirstOrDefault(r => r is not null) ?? Doubled(what, names.Where(n => n.Length > 0));

    private static Refusal? Doubled(string what, IEnumerable<string> names) =>
        names.GroupBy(n => n, StringComparer.OrdinalIgnoreCase).FirstOrDefault(g => g.Count() > 1) is { } twice ? new Refusal.Doubled($"the {what}s", twice.Key) : null;

    private static Refusal? CheckDevice(StudioDevice device) =>
        DeviceRules.Check(device.Device)
        ?? (device.StandIn is { } standIn && InstrumentCatalogue.Find(standIn) is null && ProcessorCatalogue.Find(standIn) is null
            ? new Refusal.Missing("instrument or processor", standIn, "in the catalogue") : null)
        ?? (device.Latency is { } latency ? DeviceRules.CheckLatency($"The latency of {device.Device.Name} as measured", latency) : null)
        ?? DeviceRules.CheckWeight(device.Device.Name, device.Weight);

    // By what devices are told apart; those that are told apart by an id alone may share a name.
    private static Refusal? CheckTwice(Sequence<StudioDevice> devices) =>
        devices.GroupBy(d => (d.Device.DeviceId.ToUpperInvariant(), d.Device.Name.ToUpperInvariant(), d.Device.Maker.ToUpperInvariant(), d.Device.Format.ToUpperInvariant()))
            .FirstOrDefault(g => g.Count() > 1) is { } twice ? new Refusal.Doubled("the studio's devices", twice.First().Device.Name) : null;
}
