using System.Text.Json;
using System.Text.Json.Serialization;

namespace HomeStage.Formats.Documents;

/// <summary>An id is its text.</summary>
internal sealed class ChannelIdConverter : JsonConverter<ChannelId>
{
    public override ChannelId Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        new(IdText.Read(ref reader));

    public override void Write(Utf8JsonWriter writer, ChannelId value, JsonSerializerOptions options) => writer.WriteStringValue(value.Value);
}

/// <summary>An id is its text.</summary>
internal sealed class InsertIdConverter : JsonConverter<InsertId>
{
    public override InsertId Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        new(IdText.Read(ref reader));

    public override void Write(Utf8JsonWriter writer, InsertId value, JsonSerializerOptions options) => writer.WriteStringValue(value.Value);
}

internal static class IdText
{
    public static string Read(ref Utf8JsonReader reader)
    {
        var text = reader.TokenType == JsonTokenType.String ? reader.GetString() : null;
        return Identifier.IsValid(text)
            ? text!
            : throw new JsonException($"'{text}' is not an id: a–z, 0–9 and inner hyphens, 1 to {Identifier.MaxLength} characters.");
    }
}

/// <summary>A level is its number of dB; −∞ is null.</summary>
internal sealed class DecibelsConverter : JsonConverter<Decibels>
{
    public override bool HandleNull => true;

    public override Decibels Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => reader.TokenType switch
    {
        JsonTokenType.Null => Decibels.Silence,
        JsonTokenType.Number when double.IsFinite(reader.GetDouble()) => new(reader.GetDouble()),
        _ => throw new JsonException("A level is a number of dB, or null for −∞."),
    };

    public override void Write(Utf8JsonWriter writer, Decibels value, JsonSerializerOptions options)
    {
        if (value.IsSilence)
            writer.WriteNullValue();
        else
            writer.WriteNumberValue(value.Value);
    }
}
