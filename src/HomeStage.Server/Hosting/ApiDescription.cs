using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace HomeStage.Server.Hosting;

/// <summary>The API's description: what the serialiser's own converters hide is said here.</summary>
internal static class ApiDescription
{
    public static void Describe(OpenApiOptions options)
    {
        options.AddSchemaTransformer((schema, context, _) =>
        {
            var type = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
            if (type == typeof(Decibels))
            {
                schema.Type = JsonSchemaType.Number | JsonSchemaType.Null;
                schema.Description = "dB; null is −∞.";
            }
            else if (type == typeof(ChannelId) || type == typeof(InsertId))
            {
                schema.Type = JsonSchemaType.String | (type == context.JsonTypeInfo.Type ? JsonSchemaType.String : JsonSchemaType.Null);
                schema.Pattern = "^[a-z0-9]([a-z0-9-]*[a-z0-9])?$";
                schema.MaxLength = Identifier.MaxLength;
            }

            return Task.CompletedTask;
        });
        // A case of a closed family is known by its word, so the word must be there.
        options.AddDocumentTransformer((document, _, _) =>
        {
            foreach (var schema in document.Components?.Schemas?.Values.OfType<OpenApiSchema>() ?? [])
                if (schema.Properties?.TryGetValue("type", out var word) == true && word.Enum is { Count: 1 })
                    (schema.Required ??= new HashSet<string>()).Add("type");
            document.Info = new() { Title = "Home Stage", Version = "1" };
            document.Servers = [];
            return Task.CompletedTask;
        });
    }
}
