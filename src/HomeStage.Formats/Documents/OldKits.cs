using System.Text.Json.Nodes;

namespace HomeStage.Formats.Documents;

/// <summary>Kits as schema 2 wrote them, where an output said which microphone it was, made into kits of schema 3, where a
/// microphone is a piece.</summary>
internal static class OldKits
{
    /// <summary>Changes every kit in it in place.</summary>
    public static void Renew(JsonNode? node)
    {
        if (node is JsonArray list)
        {
            foreach (var item in list)
                Renew(item);
        }
        else if (node is JsonObject value)
        {
            if (value["pieces"] is JsonArray pieces && value["outputs"] is JsonArray outputs)
                RenewKit(pieces, outputs);
            foreach (var (_, item) in value)
                Renew(item);
        }
    }

    private static void RenewKit(JsonArray pieces, JsonArray outputs)
    {
        for (var i = 0; i < outputs.Count; i++)
        {
            if (outputs[i] is not JsonObject output || !output.Remove("hears", out var hears) || hears is not JsonValue said || !said.TryGetValue(out string? place) || place == "close")
                continue;
            pieces.Add(new JsonObject
            {
                ["name"] = output["name"]?.DeepClone(),
                ["note"] = null,
                ["family"] = place == "overhead" ? "drums/overheads" : "drums/rooms",
                ["output"] = i + 1,
                ["sound"] = null,
                ["format"] = output["format"]?.DeepClone(),
                ["hears"] = place,
            });
        }
    }
}
