using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Unicode;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.Documents;

/// <summary>A template as a file: JSON, lossless, in stable order.</summary>
public static class TemplateDocument
{
    public const string Format = "home-stage-template";

    /// <summary>What this version writes, and the newest that it reads.</summary>
    public const int SchemaVersion = 6;

    public const int MostBytes = 64 * 1024 * 1024;

    public static byte[] Write(Template template) =>
        [.. JsonSerializer.SerializeToUtf8Bytes(new Envelope(Format, SchemaVersion, template), DocumentJson.Readable), (byte)'\n'];

    /// <summary>The same without line ends and blanks, for what no person reads.</summary>
    public static byte[] WriteCompact(Template template) => JsonSerializer.SerializeToUtf8Bytes(new Envelope(Format, SchemaVersion, template), DocumentJson.Options);

    /// <returns>A template that keeps every rule, or what is wrong.</returns>
    public static FormatResult<Template> Read(ReadOnlyMemory<byte> bytes) => Read(bytes, TemplateRules.Check);

    /// <summary>The same for a document that is known to be as this application wrote it: rules that have become stricter since do not
    /// make it unreadable.</summary>
    public static FormatResult<Template> ReadTrusted(ReadOnlyMemory<byte> bytes)
    {
        try
        {
            // One pass where it is of today's schema; anything else goes the way of documents from outside.
            if (JsonSerializer.Deserialize<Envelope>(bytes.Span, DocumentJson.Options) is { Format: Format, SchemaVersion: SchemaVersion } whole)
                return new FormatResult<Template>.Read(whole.Template);
        }
        catch (Exception e) when (e is JsonException or NotSupportedException)
        {
            return Read(bytes, _ => null);
        }

        return Read(bytes, _ => null);
    }

    private static FormatResult<Template> Read(ReadOnlyMemory<byte> bytes, Func<Template, Refusal?> check)
    {
        if (bytes.Length > MostBytes)
            return Refused("too-large", $"A template document may have {MostBytes / 1024 / 1024} MB.");
        if (!Utf8.IsValid(bytes.Span))
            return Refused("not-a-document", "This is not a template document: it is not text in UTF-8.");
        try
        {
            if (DocumentSize.Check(bytes.Span) is { } tooMuch)
                return Refused("too-many", tooMuch);
            using var json = JsonDocument.Parse(bytes, new() { MaxDepth = DocumentJson.Options.MaxDepth, AllowDuplicateProperties = false });
            if (CheckEnvelope(json.RootElement) is { } wrong)
                return wrong;
            var template = Whole(json.RootElement).Template;
            return check(template) is { } refusal
                ? Refused(refusal.Code, refusal.Sentence)
                : new FormatResult<Template>.Read(template);
        }
        catch (JsonException e)
        {
            return Refused("not-a-document", $"This is not a whole template document: {Place(e)}.");
        }
        catch (NotSupportedException)
        {
            // What the serialiser says where a case of a closed family does not name itself.
            return Refused("not-a-document", "This is not a whole template document: something in it does not say of which type it is.");
        }
    }

    private static Envelope Whole(JsonElement root)
    {
        var schema = root.GetProperty("schemaVersion").GetInt32();
        if (schema == SchemaVersion || !root.TryGetProperty("template", out var template) || template.ValueKind != JsonValueKind.Object)
            return root.Deserialize<Envelope>(DocumentJson.Options)!;
        var renewed = JsonObject.Create(root)!;
        OldDocuments.Renew(renewed["template"]!.AsObject(), schema);
        return renewed.Deserialize<Envelope>(DocumentJson.Options)!;
    }

    private static FormatResult<Template>? CheckEnvelope(JsonElement root)
    {
        if (root.ValueKind != JsonValueKind.Object
            || !root.TryGetProperty("format", out var format) || format.ValueKind != JsonValueKind.String || format.GetString() != Format)
            return Refused("not-a-document", "This is JSON, but not a template document: its format is not named.");
        if (!root.TryGetProperty("schemaVersion", out var version) || version.ValueKind != JsonValueKind.Number || !version.TryGetInt32(out var number) || number < 1)
            return Refused("not-a-document", "This template document does not say which schema it follows.");
        return number > SchemaVersion
            ? Refused("newer-schema", $"This template was written by a newer version (schema {number}); this one reads up to schema {SchemaVersion}.")
            : null;
    }

    private static string Place(JsonException e) =>
        e.Path is { Length: > 1 } path ? $"something is wrong at {path}" : $"it breaks off or is damaged near line {(e.LineNumber ?? 0) + 1}";

    private static FormatResult<Template>.Refused Refused(string code, string sentence) => new(code, sentence);

    internal sealed record Envelope(string Format, int SchemaVersion, Template Template);
}
