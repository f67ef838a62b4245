using System.Text.Json.Nodes;

namespace HomeStage.Formats.Documents;

/// <summary>Documents of older schemas, step by step made into such as are written today.</summary>
public static class OldDocuments
{
    /// <summary>Changes a template in place.</summary>
    /// <param name="schema">That it follows now.</param>
    internal static void Renew(JsonObject template, int schema)
    {
        if (schema < 3)
            OldKits.Renew(template);
        if (schema < 4)
            OldSections.Renew(template);
        if (schema < 5)
            OldPieces.Renew(template);
    }

    /// <summary>A batch of edits as versions up to schema 3 logged it.</summary>
    public static string RenewedEdits(string json)
    {
        var edits = JsonNode.Parse(json);
        OldKits.Renew(edits);
        OldSections.Renew(edits);
        OldPieces.Renew(edits);
        return edits?.ToJsonString(DocumentJson.Options) ?? json;
    }
}
