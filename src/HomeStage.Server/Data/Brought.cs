using System.Text.Json;
using HomeStage.Core.Striking;
using HomeStage.Formats.Documents;

namespace HomeStage.Server.Data;

/// <summary>What a document left behind in the project file that it came from.</summary>
/// <param name="LeftOut">In words.</param>
/// <param name="Held">By channel.</param>
public sealed record Brought(IReadOnlyList<string> LeftOut, IReadOnlyList<HeldElsewhere> Held)
{
    /// <returns>Null for a document that was made here, and for what cannot be read.</returns>
    public static Brought? Of(string? json)
    {
        try
        {
            return json is null ? null : JsonSerializer.Deserialize<Brought>(json, DocumentJson.Options);
        }
        catch (JsonException)
        {
            // It is told beside the document, which is whole without it.
            return null;
        }
    }

    public string ToJson() => JsonSerializer.Serialize(this, DocumentJson.Options);
}
