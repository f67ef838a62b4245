using System.Text.Json;
using HomeStage.Core.Editing.Rules;

namespace HomeStage.Formats.Documents;

/// <summary>Whether a document can be read in the time and memory that there are for it, told before anything is made of it.</summary>
internal static class DocumentSize
{
    /// <summary>Values, names and brackets; a full template of 10,000 channels has about three million.</summary>
    private const int MostTokens = 8_000_000;

    // The channels stand at template.channels.
    private const int ChannelsDepth = 2;

    /// <returns>What there is too much of; null where it can be read.</returns>
    /// <exception cref="JsonException">It is not whole JSON.</exception>
    public static string? Check(ReadOnlySpan<byte> json)
    {
        var reader = new Utf8JsonReader(json, new() { MaxDepth = DocumentJson.Options.MaxDepth });
        var (tokens, channels, inTemplate, inChannels) = (0, 0, false, false);
        while (reader.Read())
        {
            if (++tokens > MostTokens)
                return "This document holds more than any template could.";
            if (reader.TokenType == JsonTokenType.PropertyName && reader.CurrentDepth == 1)
                inTemplate = reader.ValueTextEquals("template"u8);
            else if (reader.TokenType == JsonTokenType.PropertyName && reader.CurrentDepth == ChannelsDepth)
                inChannels = inTemplate && reader.ValueTextEquals("channels"u8);
            else if (inChannels && reader.CurrentDepth == ChannelsDepth + 1 && reader.TokenType == JsonTokenType.StartObject && ++channels > TemplateRules.MostChannels)
                return $"A template has room for {TemplateRules.MostChannels:N0} channels.";
        }

        return null;
    }
}
