using System.Xml.Linq;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Templates;
using static HomeStage.Formats.DawProject.ProjectValue;

namespace HomeStage.Formats.DawProject;

/// <summary>Inserts as devices of the format: plug-ins by their ids, our own processors as the generic ones.</summary>
/// <remarks>The generic devices are equaliser, compressor, gate and limiter; a gain stage is an equaliser that has an output gain alone.</remarks>
internal static class DeviceElements
{
    private static readonly (string Id, string Type)[] Bells = [("bell-1", "bell"), ("bell-2", "bell"), ("bell-3", "bell")];

    /// <returns>Null where the format has no such device.</returns>
    public static XElement? Of(Template template, Channel channel, Insert insert, string act)
    {
        var enabled = new XElement("Enabled", new XAttribute("value", Truth(insert.IsLiveIn(template, act))));
        if (insert.Device is { } device)
            return Plugin(device, "audioFX", ProjectIds.Device(channel.Id, insert.Id), enabled);
        var part = new Part(template, channel, insert);
        return insert.Processor switch
        {
            ProcessorCatalogue.Equaliser => Made("Equalizer", Equaliser(part)),
            ProcessorCatalogue.Gain => Made("Equalizer", [part.Real("OutputGain", "gain-db", Decibel)]),
            ProcessorCatalogue.Compressor => Made("Compressor",
            [
                part.Real("Attack", "attack-ms", Seconds), new XElement("AutoMakeup", new XAttribute("value", "false")), part.Real("OutputGain", "make-up-db", Decibel),
                part.Real("Ratio", "ratio", Plain), part.Real("Release", "release-ms", Seconds), part.Real("Threshold", "threshold-db", Decibel),
            ]),
            ProcessorCatalogue.Gate => Made("NoiseGate",
            [
                part.Real("Attack", "attack-ms", Seconds), part.Real("Range", "range-db", TakenAway), part.Real("Release", "release-ms", Seconds), part.Real("Threshold", "threshold-db", Decibel),
            ]),
            ProcessorCatalogue.Limiter => Made("Limiter",
                [part.Real("InputGain", "input-db", Decibel), part.Real("Release", "release-ms", Seconds), part.Real("Threshold", "ceiling-db", Decibel)]),
            _ => null,
        };

        XElement Made(string name, IEnumerable<XElement> parameters) => new(name,
            new XAttribute("deviceName", insert.Title()), new XAttribute("deviceRole", "audioFX"), new XAttribute("id", ProjectIds.Device(channel.Id, insert.Id)), enabled, parameters);
    }

    /// <summary>An outside device under the id that its format knows it by.</summary>
    /// <returns>Null for what no workstation can load: hardware, and what has no id.</returns>
    public static XElement? Plugin(OutsideDevice device, string role, string id, params XElement[] inside)
    {
        var name = device.Format.ToUpperInvariant() switch { "VST3" => "Vst3Plugin", "VST2" or "VST" => "Vst2Plugin", "CLAP" => "ClapPlugin", "AU" or "AUDIO UNIT" => "AuPlugin", _ => null };
        return name is null || device.DeviceId.Length == 0 ? null : new(name,
            new XAttribute("deviceID", device.DeviceId), new XAttribute("deviceName", device.Name), new XAttribute("deviceRole", role),
            device.Maker.Length == 0 ? null : new XAttribute("deviceVendor", device.Maker), new XAttribute("id", id), inside);
    }

    /// <summary>How a control of an insert is said; null where it is not.</summary>
    public static ProjectValue? ValueOf(Insert insert, string parameter) => insert.Device is not null ? null : (insert.Processor, parameter) switch
    {
        (ProcessorCatalogue.Gain, "gain-db") => Decibel,
        (ProcessorCatalogue.Compressor, "attack-ms" or "release-ms") or (ProcessorCatalogue.Gate, "attack-ms" or "release-ms") or (ProcessorCatalogue.Limiter, "release-ms") => Seconds,
        (ProcessorCatalogue.Compressor, "make-up-db" or "threshold-db") or (ProcessorCatalogue.Gate, "threshold-db") or (ProcessorCatalogue.Limiter, "input-db" or "ceiling-db") => Decibel,
        (ProcessorCatalogue.Compressor, "ratio") => Plain,
        (ProcessorCatalogue.Gate, "range-db") => TakenAway,
        (ProcessorCatalogue.Equaliser, var id) when id.EndsWith("-hz", StringComparison.Ordinal) => Hertz,
        (ProcessorCatalogue.Equaliser, var id) when id.EndsWith("-db", StringComparison.Ordinal) => Decibel,
        (ProcessorCatalogue.Equaliser, var id) when id.EndsWith("-q", StringComparison.Ordinal) => Plain,
        _ => null,
    };

    /// <summary>Every band, so that each can be turned up there; one that does nothing is switched off.</summary>
    private static IEnumerable<XElement> Equaliser(Part part)
    {
        yield return Cut("low-cut", "highPass");
        yield return part.Band("lowShelf", null, On("low-shelf"), part.Real("Freq", "low-shelf-hz", Hertz), part.Real("Gain", "low-shelf-db", Decibel));
        foreach (var (id, type) in Bells)
            yield return part.Band(type, null, On(id), part.Real("Freq", $"{id}-hz", Hertz), part.Real("Gain", $"{id}-db", Decibel), part.Real("Q", $"{id}-q", Plain));
        yield return part.Band("notch", null, part.Value("notch") >= 0.5, part.Real("Freq", "notch-hz", Hertz), part.Real("Q", "notch-q", Plain));
        yield return part.Band("highShelf", null, On("high-shelf"), part.Real("Freq", "high-shelf-hz", Hertz), part.Real("Gain", "high-shelf-db", Decibel));
        yield return Cut("high-cut", "lowPass");

        // What is moved from 0 dB on is heard as soon as it moves.
        bool On(string id) => part.Value($"{id}-db") != 0 || part.IsMoved($"{id}-db");
        XElement Cut(string id, string type) => part.Band(
            type, part.Value($"{id}-slope") >= 0.5 ? 4 : 2, part.Value(id) >= 0.5, part.Real("Freq", $"{id}-hz", Hertz), part.Real("Q", $"{id}-q", Plain));
    }

    /// <summary>An insert whose values are asked for.</summary>
    private sealed class Part(Template template, Channel channel, Insert insert)
    {
        private readonly ProcessorKind _kind = insert.Kind();

        public double Value(string parameter) => _kind.Value(insert.Settings, parameter);

        public bool IsMoved(string parameter)
        {
            var target = new InsertTarget(insert.Id, parameter);
            return channel.Shapes.Any(s => s.Target.Equals(target)) || template.Levers.Any(l => l.Ranges.Any(r => r.Channel == channel.Id && r.Target.Equals(target)));
        }

        public XElement Real(string name, string parameter, ProjectValue value)
        {
            var known = _kind.Find(parameter)!;
            return value.Element(name, ProjectIds.Parameter(channel.Id, insert.Id, parameter), Value(parameter), known.Min, known.Max);
        }

        public XElement Band(string type, int? order, bool on, params XElement[] values) => new("Band",
            order is null ? null : new XAttribute("order", order), new XAttribute("type", type), values, new XElement("Enabled", new XAttribute("value", Truth(on))));
    }
}
