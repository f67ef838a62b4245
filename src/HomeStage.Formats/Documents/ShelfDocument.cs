using System.Text.Json;
using System.Text.Unicode;
using HomeStage.Core.Shelf;

namespace HomeStage.Formats.Documents;

/// <summary>An item of the shelf as a file: JSON, lossless, in stable order. Sounds are named by their content and not in it.</summary>
public static class ShelfDocument
{
    public const string Format = "home-stage-shelf-item";
    public const int SchemaVersion = 1;
    public const int MostBytes = 4 * 1024 * 1024;

    public static byte[] Write(string name, ShelfContent content) =>
        [.. JsonSerializer.SerializeToUtf8Bytes(new Envelope(Format, SchemaVersion, name, content), DocumentJson.Readable), (byte)'\n'];

    /// <summary>The content with its schema, as the database keeps it.</summary>
    public static string WriteKept(ShelfContent content) => JsonSerializer.Serialize(new Kept(SchemaVersion, content), DocumentJson.Options);

    /// <exception cref="JsonException">It is not as <see cref="WriteKept"/> wrote it.</exception>
    public static ShelfContent ReadKept(string json) => (JsonSerializer.Deserialize<Kept>(json, DocumentJson.Options) ?? throw new JsonException("An item without content.")).Content;

    /// <returns>A name and a content that keep every rule, or what is wrong.</returns>
    public static FormatResult<Named> Read(ReadOnlyMemory<byte> bytes)
    {
        if (bytes.Length > MostBytes)
            return Refused("too-large", $"An item of the shelf may have {MostBytes / 1024 / 1024} MB.");
        if (!Utf8.IsValid(bytes.Span))
            return Refused("not-a-document", "This is no item of a shelf: it is not text in UTF-8.");
        try
        {
            if (DocumentSize.Check(bytes.Span) is { } tooMuch)
                return Refused("too-many", tooMuch);
            using var json = JsonDocument.Parse(bytes, new() { MaxDepth = DocumentJson.Options.MaxDepth, AllowDuplicateProperties = false });
            if (json.RootElement is not { ValueKind: JsonValueKind.Object } root || !root.TryGetProperty("format", out var format) || format.ValueKind != JsonValueKind.String || format.GetString() != Format)
                return Refused("not-a-document", "This is JSON, but no item of a shelf: its format is not named.");
            if (!root.TryGetProperty("schemaVersion", out var version) || version.ValueKind != JsonValueKind.Number || !version.TryGetInt32(out var number) || number != SchemaVersion)
                return Refused("unknown-schema", $"This item was written by another version; this one reads schema {SchemaVersion}.");
            var read = root.Deserialize<Envelope>(DocumentJson.Options)!;
            return (TextRules.Name("The name of an item", read.Name) ?? read.Content.Check()) is { } refusal
                ? Refused(refusal.Code, refusal.Sentence)
                : new FormatResult<Named>.Read(new(read.Name, read.Content));
        }
        catch (JsonException e)
        {
            return Refused("not-a-document", $"This is no whole item of a shelf: {e.Path ?? "it ends too early or is not JSON"}.");
        }
        catch (NotSupportedException)
        {
            return Refused("not-a-document", "This is no whole item of a shelf: something in it does not say of which type it is.");
        }
    }

    private static FormatResult<Named> Refused(string code, string sentence) => new FormatResult<Named>.Refused(code, sentence);

    public sealed record Named(string Name, ShelfContent Content);

    private sealed record Kept(int SchemaVersion, ShelfContent Content);

    private sealed record Envelope(string Format, int SchemaVersion, string Name, ShelfContent Content);
}
