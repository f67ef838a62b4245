using System.Text.Json;
using System.Text.Json.Serialization;

namespace HomeStage.Formats.Documents;

/// <summary>How the values of the core are written as JSON: in documents, in the edit log and on the wire alike.</summary>
/// <remarks>Strict: unknown members, missing members, numbers in strings and nulls where none belong are errors.
/// −∞ dB is null; enumerations and discriminators are words with hyphens.</remarks>
public static class DocumentJson
{
    public static readonly JsonSerializerOptions Options = Apply(new());

    /// <summary>For files that people read and compare: indented, in stable order.</summary>
    public static readonly JsonSerializerOptions Readable = new(Options) { WriteIndented = true, NewLine = "\n" };

    /// <summary>Gives options these rules.</summary>
    public static JsonSerializerOptions Apply(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow;
        options.AllowDuplicateProperties = false;
        options.AllowOutOfOrderMetadataProperties = true;
        options.MaxDepth = 64;
        options.Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower, allowIntegerValues: false));
        options.Converters.Add(new ChannelIdConverter());
        options.Converters.Add(new InsertIdConverter());
        options.Converters.Add(new DecibelsConverter());
        options.TypeInfoResolver = new CollectionTypes();
        return options;
    }
}
