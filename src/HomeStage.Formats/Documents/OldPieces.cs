using System.Text.Json.Nodes;

namespace HomeStage.Formats.Documents;

/// <summary>Kits as schemas 3 and 4 wrote them, where a piece left by one output and a far microphone was a piece without a note, made into
/// kits of today, where microphones are things of their own.</summary>
internal static class OldPieces
{
    // What moves from the piece to its microphone, where it is there.
    private static readonly string[] OfTheMicrophone = ["output", "pan", "format", "importance", "stay", "alsoOnFirst"];

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
            if (value["pieces"] is JsonArray pieces && value["outputs"] is JsonArray)
                RenewKit(value, pieces);
            foreach (var (_, item) in value)
                Renew(item);
        }
    }

    private static void RenewKit(JsonObject kit, JsonArray pieces)
    {
        var far = new JsonArray();
        foreach (var piece in pieces.OfType<JsonObject>().Where(p => !p.ContainsKey("microphones")).ToList())
        {
            piece.Remove("hears", out var hears);
            var microphone = new JsonObject();
            foreach (var name in OfTheMicrophone)
                if (piece.Remove(name, out var moved))
                    microphone[name] = moved?.DeepClone();
            if (hears is JsonValue said && said.TryGetValue(out string? place) && place != "close")
            {
                pieces.Remove(piece);
                microphone["name"] = piece["name"]?.DeepClone();
                far.Add(new JsonObject { ["family"] = piece["family"]?.DeepClone(), ["place"] = place, ["microphone"] = microphone });
                continue;
            }

            microphone["name"] = "";
            piece["microphones"] = new JsonArray(microphone);
        }

        if (far.Count > 0)
            kit["far"] = far;
        // Pairs that were taken by halves say so from now on.
        var formats = ((JsonArray)kit["outputs"]!).OfType<JsonObject>().Select(o => o["format"]?.ToString()).ToHashSet();
        if (formats.Contains("mono") && formats.Contains("stereo"))
            kit["jacks"] = "halves";
    }
}
