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

    /// <returns>In order, without instruments, each with the XML ids of its controls; what cannot be an insert is said.</returns>
    public static IReadOnlyList<(Insert Insert, IReadOnlyList<(string Id, string Parameter)> Controls)> Inserts(XElement? devices, string channel, LeftOut left, ReadStates states)
    {
        var inserts = new List<(Insert Insert, IReadOnlyList<(string, string)> Controls)>();
        foreach (var device in devices?.Elements() ?? [])
        {
            if (device.Text("deviceRole") == "instrument")
                continue;
            if (inserts.Count >= StripLimit)
            {
                left.Add($"{channel}: more than {StripLimit} devices.");
                break;
            }

            if (Of(device, channel, left, states) is { } made)
                inserts.Add((made.Insert with { Id = new(Numbering.Fresh(made.Insert.Id.Value, id => inserts.Exists(i => i.Insert.Id.Value == id))), Off = device.Element("Enabled").Truth("value") == false }, made.Controls));
        }

        return inserts;
    }

    private const int StripLimit = 32;

    /// <returns>The first instrument among the devices; null for none.</returns>
    public static OutsideDevice? Instrument(XElement? devices, ReadStates states) =>
        devices?.Elements().FirstOrDefault(d => d.Text("deviceRole") == "instrument") is { } device && FormatOf(device) is { } format ? Outside(device, format, states) : null;

    private static Made? Of(XElement device, string channel, LeftOut left, ReadStates states)
    {
        switch (device.Name.LocalName)
        {
            case "Equalizer" when !device.Elements("Band").Any():
                return MadeOf(ProcessorCatalogue.Gain, new Control("gain-db", device.Element("OutputGain")));
            case "Equalizer":
                return Equaliser(device, channel, left);
            case "Compressor":
                return MadeOf(ProcessorCatalogue.Compressor,
                    new("threshold-db", device.Element("Threshold")), new("ratio", device.Element("Ratio")), new("attack-ms", device.Element("Attack")),
                    new("release-ms", device.Element("Release")), new("make-up-db", device.Element("OutputGain")));
            case "NoiseGate":
                return MadeOf(ProcessorCatalogue.Gate,
                    new("threshold-db", device.Element("Threshold")), new("range-db", device.Element("Range")), new("attack-ms", device.Element("Attack")), new("release-ms", device.Element("Release")));
            case "Limiter":
                return MadeOf(ProcessorCatalogue.Limiter, new("ceiling-db", device.Element("Threshold")), new("input-db", device.Element("InputGain")), new("release-ms", device.Element("Release")));
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
        return new(new(new(Identifier.Of(outside.Name, "device")), ProcessorCatalogue.Through) { Device = outside }, []);
    }

    /// <summary>Bands find a place of their kind; a fourth bell does not.</summary>
    private static Made Equaliser(XElement device, string channel, LeftOut left)
    {
        var said = new List<Control>();
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
                said.Add(new(place, null, isOn ? 1 : 0));
            if (isCut)
                said.Add(new($"{place}-slope", null, band.Whole("order") >= 4 ? 1 : 0));
            said.Add(new($"{place}-hz", band.Element("Freq")));
            said.Add(new($"{place}-q", band.Element("Q")));
            // A band that is switched off does nothing: no gain does that here, and what moves it is not heard.
            said.Add(isOn ? new($"{place}-db", band.Element("Gain")) : new($"{place}-db", null, 0));
        }

        return MadeOf(ProcessorCatalogue.Equaliser, [.. said]);
    }

    /// <summary>Values that differ from the processor's defaults, each held within its range; what it does not have is passed over.</summary>
    private static Made MadeOf(string processor, params Control[] controls)
    {
        var (kind, bare) = (ProcessorCatalogue.Find(processor)!, new Insert(new(processor), processor));
        var settings = Map<double>.Empty;
        foreach (var control in controls)
            if (control.ValueOn(bare) is { } number && kind.Find(control.Parameter) is { } parameter && Math.Clamp(Math.Max(number, Scales.SilenceDb), parameter.Min, parameter.Max) is var held && held != parameter.Default)
                settings = settings.With(control.Parameter, held);
        return new(bare with { Settings = settings }, [.. controls.Where(c => c.Said.Text("id") is not null && kind.Find(c.Parameter) is not null).Select(c => (c.Said.Text("id")!, c.Parameter))]);
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

    /// <summary>An insert, with the XML ids of its controls.</summary>
    private sealed record Made(Insert Insert, IReadOnlyList<(string Id, string Parameter)> Controls);

    /// <summary>A control as a device says it.</summary>
    /// <param name="Fixed">What is said otherwise; null where the element says it.</param>
    private sealed record Control(string Parameter, XElement? Said, double? Fixed = null)
    {
        /// <returns>In our unit, rounded to a ten-thousandth; null where nothing is said.</returns>
        public double? ValueOn(Insert insert) => Fixed ?? (Said.Number("value") is { } number && DeviceElements.ValueOf(insert, Parameter) is { } value ? Math.Round(value.Ours(value.Meant(Said.Text("unit"), number)), 4) : null);
    }
}
