using System.Text.Json.Nodes;

namespace HomeStage.Formats.Documents;

/// <summary>Documents of older schemas, step by step made into such as are written today.</summary>
internal static class OldDocuments
{
    /// <summary>Changes a template in place.</summary>
    /// <param name="schema">That it follows now.</param>
    public static void Renew(JsonObject template, int schema)
    {
        if (schema < 3)
            OldKits.Renew(template);
    }
}
