using System.Xml.Linq;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.DawProject;

/// <summary>Devices of a channel as inserts: the generic ones as our processors, plug-ins as outside devices behind stand-ins.</summary>
internal static class ReadDevices
{
    private static readonly string[] BellIds = ["bell-1", "bell-2", "bell-3"];

    /// <returns>In order, without instruments; what cannot be an insert is said.</returns>
    public static Sequence<Insert> Inserts(XElement? devices, string channel, LeftOut left, ReadStates states)
    {
        var inserts = new List<Insert>();
        foreach (var device in devices?.Elements() ?? [])
        {
            if (device.Text("deviceRole") == "instrument")
                continue;
            if (inserts.Count >= StripLimit)
            {
                left.Add($"{channel}: more than {StripLimit} devices.");
                break;
            }

            if (Of(device, channel, left, states) is { } insert)
                inserts.Add(insert with { Id = new(Numbering.Fresh(insert.Id.Value, id => inserts.Any(i => i.Id.Value == id))), Off = device.Element("Enabled").Truth("value") == false });
        }

        return inserts.ToSequence();
    }

    private const int StripLimit = 32;

    /// <returns>The first instrument among the devices; null for none.</returns>
    public static OutsideDevice? Instrument(XElement? devices, ReadStates states) =>
        devices?.Elements().FirstOrDefault(d => d.Text("deviceRole") == "instrument") is { } device && FormatOf(device) is { } format ? Outside(device, format, states) : null;

    private static Insert? Of(XElement device, string channel, LeftOut left, ReadStates states)
    {
        switch (device.Name.LocalName)
        {
            case "Equalizer" when !device.Elements("Band").Any():
                return Made(ProcessorCatalogue.Gain, ("gain-db", device.Element("OutputGain").Db()));
            case "Equalizer":
                return Equaliser(device, channel, left);
            case "Compressor":
                return Made(ProcessorCatalogue.Compressor,
                    ("threshold-db", device.Element("Threshold").Db()), ("ratio", device.Element("Ratio").Number("value")), ("attack-ms", device.Element("Attack").Milliseconds()),
                    ("release-ms", device.Element("Release").Milliseconds()), ("make-up-db", device.Element("OutputGain").Db()));
            case "NoiseGate":
                return Made(ProcessorCatalogue.Gate,
                    ("threshold-db", device.Element("Threshold").Db()), ("range-db", device.Element("Range").Db() is { } range ? Math.Abs(range) : null),
                    ("attack-ms", device.Element("Attack").Milliseconds()), ("release-ms", device.Element("Release").Milliseconds()));
            case "Limiter":
                return Made(ProcessorCatalogue.Limiter, ("ceiling-db", device.Element("Threshold").Db()), ("input-db", device.Element("InputGain").Db()), ("release-ms", device.Element("Release").Milliseconds()));
        }

        if (FormatOf(device) is not { } format)
        {
            left.Add($"{channel}: a device {TextRules.Cleaned(device.Text("deviceName") ?? device.Name.LocalName, TextRules.LongestName)}, which is no kind that is known.");
            return null;
        }

        if (device.Text("deviceRole") == "noteFX")
        {
            left.Add($"{channel}: the note effect {TextRules.Cleaned(device.Text("deviceName"), TextRules.LongestName)}.");
            return null;
        }

        var outside = Outside(device, format, states);
        return new Insert(new(Identifier.Of(outside.Name, "device")), ProcessorCatalogue.Through) { Device = outside };
    }

    /// <summary>Bands find a place of their kind; a fourth bell does not.</summary>
    private static Insert Equaliser(XElement device, string channel, LeftOut left)
    {
        var said = new List<(string Id, double? Value)>();
        var bells = new Queue<string>(BellIds);
        var places = new HashSet<string>();
        foreach (var band in device.Elements("Band"))
        {
            var isOn = band.Element("Enabled").Truth("value") ?? true;
            var place = band.Text("type") switch
            {
                "highPass" => "low-cut",
                "lowPass" => "high-cut",
                "lowShelf" => "low-shelf",
                "highShelf" => "high-shelf",
                "notch" => "notch",
                "bell" when bells.TryDequeue(out var bell) => bell,
                _ => null,
            };
            if (place is null || !places.Add(place))
            {
                if (isOn)
                    left.Add($"{channel}: a {band.Text("type") ?? "nameless"} band of an equaliser, for which there is no place.");
                continue;
            }

            var isCut = place is "low-cut" or "high-cut";
            if (isCut || place == "notch")
                said.Add((place, isOn ? 1 : 0));
            if (isCut)
                said.Add(($"{place}-slope", band.Whole("order") >= 4 ? 1 : 0));
            said.Add(($"{place}-hz", band.Element("Freq").Number("value")));
            said.Add(($"{place}-q", band.Element("Q").Number("value")));
            // A band that is switched off does nothing: no gain does that here.
            said.Add(($"{place}-db", isOn ? band.Element("Gain").Db() : 0));
        }

        return Made(ProcessorCatalogue.Equaliser, [.. said]);
    }

    /// <summary>Values that differ from the processor's defaults, each held within its range; what it does not have is passed over.</summary>
    private static Insert Made(string processor, params (string Id, double? Value)[] said)
    {
        var kind = ProcessorCatalogue.Find(processor)!;
        var settings = Map<double>.Empty;
        foreach (var (id, value) in said)
            if (value is { } number && kind.Find(id) is { } parameter && Math.Clamp(Math.Max(number, Scales.SilenceDb), parameter.Min, parameter.Max) is var held && held != parameter.Default)
                settings = settings.With(id, held);
        return new(new(processor), processor) { Settings = settings };
    }

    private static string? FormatOf(XElement device) => device.Name.LocalName switch { "Vst3Plugin" => "VST3", "Vst2Plugin" => "VST2", "ClapPlugin" => "CLAP", "AuPlugin" => "AU", _ => null };

    private static OutsideDevice Outside(XElement device, string format, ReadStates states) => new(Named(device.Text("deviceName")))
    {
        Maker = TextRules.Cleaned(device.Text("deviceVendor"), TextRules.LongestName),
        Format = format,
        DeviceId = TextRules.Cleaned(device.Text("deviceID"), 200),
        State = states.Of(device),
    };

    private static string Named(string? name) => TextRules.Cleaned(name, TextRules.LongestName) is { Length: > 0 } said ? said : "Device";
}
