using System.Text;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;

namespace HomeStage.Formats.Documents;

/// <summary>The JSON Schema of the template document, made from the types that are written.</summary>
/// <remarks>JSON Schema 2020-12. It says the shape; what else a template must keep to is said by the rules, with a sentence, when a document is read.</remarks>
public static class DocumentSchema
{
    private const string Dialect = "https://json-schema.org/draft/2020-12/schema";

    /// <summary>Ready to be read by people: indented, in stable order.</summary>
    public static byte[] Write() => [.. Encoding.UTF8.GetBytes(Made().ToJsonString(DocumentJson.Readable)), (byte)'\n'];

    private static JsonObject Made()
    {
        var made = (JsonObject)DocumentJson.Options.GetJsonSchemaAsNode(typeof(TemplateDocument.Envelope), new()
        {
            TreatNullObliviousAsNonNullable = true,
            TransformSchemaNode = (context, node) => Told(context.TypeInfo.Type, node),
        });
        var properties = (JsonObject)made["properties"]!;
        properties["format"] = new JsonObject { ["const"] = TemplateDocument.Format };
        properties["schemaVersion"] = new JsonObject { ["const"] = TemplateDocument.SchemaVersion };
        // What it is goes before what it holds; a node stands in one place alone.
        var whole = new JsonObject
        {
            ["$schema"] = Dialect,
            ["$id"] = $"urn:home-stage:template-document:{TemplateDocument.SchemaVersion}",
            ["title"] = "Home Stage template document",
        };
        foreach (var (name, value) in made.ToList())
        {
            made.Remove(name);
            whole[name] = value;
        }

        return whole;
    }

    /// <summary>What the serialiser's own converters hide.</summary>
    private static JsonNode Told(Type type, JsonNode node) => (Nullable.GetUnderlyingType(type) ?? type) switch
    {
        var t when t == typeof(Decibels) => new JsonObject { ["description"] = "dB; null is −∞.", ["type"] = new JsonArray("number", "null") },
        var t when t == typeof(ChannelId) || t == typeof(InsertId) => new JsonObject
        {
            ["type"] = t == type ? "string" : new JsonArray("string", "null"),
            ["pattern"] = "^[a-z0-9]([a-z0-9-]*[a-z0-9])?$",
            ["maxLength"] = Identifier.MaxLength,
        },
        _ => node,
    };
}
