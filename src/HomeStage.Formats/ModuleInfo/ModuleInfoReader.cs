using System.Text.Json;
using System.Text.Unicode;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;

namespace HomeStage.Formats.ModuleInfo;

/// <summary>The description that lies beside a VST3 module (moduleinfo.json): the module is never run.</summary>
/// <remarks>JSON with comments and commas after the last item. Members as remembered: "Factory Info" with "Vendor", "Classes" with "CID",
/// "Category", "Name", "Vendor" and "Sub Categories". Outputs, key inputs and latency are not told there: they stay unknown.</remarks>
public static class ModuleInfoReader
{
    public const int MostBytes = 1024 * 1024;
    public const int MostClasses = 500;

    /// <summary>Where descriptions lie in a bundle, from its folder on.</summary>
    public static readonly IReadOnlyList<string> PlacesInABundle = ["Contents/Resources/moduleinfo.json", "Contents/moduleinfo.json"];

    /// <summary>What a bundle's folder ends in.</summary>
    public const string BundleEnding = ".vst3";

    private const string Format = "VST3";
    private const string PlayedCategory = "Audio Module Class";
    private static readonly JsonDocumentOptions Lenient = new() { CommentHandling = JsonCommentHandling.Skip, AllowTrailingCommas = true, MaxDepth = 32 };

    public static FormatResult<FoundDevices> Read(ReadOnlyMemory<byte> bytes)
    {
        if (bytes.Length > MostBytes)
            return Refused("too-large", $"A module's description may have {MostBytes / 1024} kB.");
        var text = bytes.Span.StartsWith("\uFEFF"u8) ? bytes[3..] : bytes;
        if (!Utf8.IsValid(text.Span))
            return Refused("not-text", "This is no module's description: it is not text in UTF-8.");
        try
        {
            using var json = JsonDocument.Parse(text, Lenient);
            if (json.RootElement.ValueKind != JsonValueKind.Object || !json.RootElement.TryGetProperty("Classes", out var classes) || classes.ValueKind != JsonValueKind.Array)
                return Refused("not-a-description", "This is JSON, but no module's description: it lists no classes.");
            if (classes.GetArrayLength() > MostClasses)
                return Refused("too-many", $"A module's description may list {MostClasses} classes.");
            var vendor = json.RootElement.TryGetProperty("Factory Info", out var factory) ? Text(factory, "Vendor") : "";
            return Found(classes, vendor);
        }
        catch (JsonException e)
        {
            return Refused("damaged", $"This description breaks off or is damaged near line {(e.LineNumber ?? 0) + 1}.");
        }
    }

    private static FormatResult<FoundDevices> Found(JsonElement classes, string vendor)
    {
        var (devices, leftOut) = (new List<FoundDevice>(), new List<string>());
        foreach (var one in classes.EnumerateArray())
        {
            var name = TextRules.Cleaned(Text(one, "Name"), TextRules.LongestName);
            if (Text(one, "Category") != PlayedCategory)
                continue;
            if (name.Length == 0)
            {
                leftOut.Add("A class without a name.");
                continue;
            }

            var kinds = Kinds(one);
            var isInstrument = kinds.Contains("Instrument", StringComparer.OrdinalIgnoreCase);
            var said = string.Join(' ', kinds);
            var maker = Text(one, "Vendor") is { Length: > 0 } own ? own : vendor;
            var device = new OutsideDevice(name)
            {
                Maker = TextRules.Cleaned(maker, TextRules.LongestName),
                Format = Format,
                DeviceId = TextRules.Cleaned(Text(one, "CID"), DeviceRules.LongestId),
            };
            devices.Add(new(device, isInstrument ? StandIns.OfInstrument(said) : StandIns.OfProcessor(said)));
        }

        return new FormatResult<FoundDevices>.Read(new(devices, leftOut));
    }

    private static List<string> Kinds(JsonElement one) =>
        one.ValueKind == JsonValueKind.Object && one.TryGetProperty("Sub Categories", out var kinds) && kinds.ValueKind == JsonValueKind.Array
            ? [.. kinds.EnumerateArray().Where(k => k.ValueKind == JsonValueKind.String).Select(k => k.GetString()!)]
            : [];

    private static string Text(JsonElement owner, string name) =>
        owner.ValueKind == JsonValueKind.Object && owner.TryGetProperty(name, out var value) && value.ValueKind == JsonValueKind.String ? value.GetString()! : "";

    private static FormatResult<FoundDevices>.Refused Refused(string code, string sentence) => new(code, sentence);
}
