using System.Text.Json.Nodes;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>JSON after a schema of an OpenAPI document, by chance: as it should be, or with one place that is not.</summary>
internal sealed class OddJson(JsonNode description, Random chance, IReadOnlyDictionary<string, string[]> ids)
{
    private const int Deepest = 7;

    /// <summary>Texts that people paste, scripts send and spreadsheets run.</summary>
    public static readonly string[] OddTexts =
    [
        "", " ", "\0", "\t\n", "\uFFFE", "\uD800", "\u202Eright to left", "=1+1", "../../..", "null", "%s%n", "Åse ❤ 👩‍👩‍👧‍👦", new('x', 81), new('y', 20_000),
        "'; DROP TABLE Documents; --", "<script>", "1e999", "NaN",
    ];

    private static readonly double[] OddNumbers = [0, 1, -1, 2, 0.5, -0.0, 127, 128, 1e-300, 1e300, -1e300, int.MaxValue, int.MinValue, 9.3e18];

    /// <summary>A value that the schema allows, as far as types go.</summary>
    public JsonNode? Of(JsonNode? schema, string name = "", int depth = 0)
    {
        if (schema is null || depth > Deepest)
            return null;
        if ((string?)schema["$ref"] is { } reference)
            return OfNamed(reference[(reference.LastIndexOf('/') + 1)..], name, depth);
        if ((schema["anyOf"] ?? schema["oneOf"]) is JsonArray cases)
            return Of(Pick(cases), name, depth + 1);
        if (schema["enum"] is JsonArray words)
            return Pick(words)?.DeepClone();
        return TypeOf(schema) switch
        {
            "null" => null,
            "boolean" => chance.Next(2) == 0,
            "integer" => chance.Next(4) == 0 ? (int)Math.Clamp(Pick(OddNumbers), -1e9, 1e9) : chance.Next(0, 8),
            "number" => chance.Next(3) == 0 ? Pick(OddNumbers) : Math.Round(chance.NextDouble() * 4 - 1, 2),
            "array" => new JsonArray([.. Enumerable.Range(0, chance.Next(0, 3)).Select(_ => Of(schema["items"], name, depth + 1))]),
            "string" => Text(name),
            _ => Object(schema, depth),
        };
    }

    /// <summary>Puts something into one place that does not belong there.</summary>
    public JsonNode? Spoiled(JsonNode? value)
    {
        var places = Places(value).ToList();
        if (places.Count == 0)
            return Wrong();
        var (parent, key, index) = Pick(places);
        if (parent is JsonObject o && chance.Next(6) == 0)
            o.Remove(key!);
        else if (parent is JsonObject with && chance.Next(8) == 0)
            with["surplus"] = 1;
        else if (parent is JsonObject holder)
            holder[key!] = Wrong();
        else
            ((JsonArray)parent)[index] = Wrong();
        return value;
    }

    private JsonNode? OfNamed(string type, string name, int depth)
    {
        if (ids.TryGetValue(type, out var known))
            return Pick(known);
        return Of(description["components"]!["schemas"]![type], name, depth + 1);
    }

    private JsonObject Object(JsonNode schema, int depth)
    {
        var made = new JsonObject();
        var required = schema["required"]?.AsArray().Select(r => r!.ToString()).ToHashSet() ?? [];
        foreach (var (name, property) in schema["properties"]?.AsObject() ?? [])
            if (required.Contains(name) || chance.Next(3) > 0)
                made[name] = Of(property, name, depth + 1);
        if (schema["additionalProperties"] is JsonObject values)
            made[Pick(ids["word"])] = Of(values, "", depth + 1);
        return made;
    }

    private string? TypeOf(JsonNode schema) => schema["type"] switch
    {
        JsonArray several => Pick(several)!.ToString(),
        JsonValue one => one.ToString(),
        _ => null,
    };

    private string Text(string name) => ids.TryGetValue(name, out var known) && chance.Next(3) > 0 ? Pick(known) : Pick(OddTexts);

    private JsonNode? Wrong() => chance.Next(7) switch
    {
        0 or 1 => null,
        2 => Pick(OddNumbers),
        3 => Pick(OddTexts),
        4 => new JsonArray([null]),
        5 => new JsonObject { ["type"] = null },
        _ => true,
    };

    private static IEnumerable<(JsonNode Parent, string? Key, int Index)> Places(JsonNode? value)
    {
        if (value is JsonObject o)
        {
            foreach (var (key, inner) in o)
            {
                yield return (o, key, 0);
                foreach (var deeper in Places(inner))
                    yield return deeper;
            }
        }
        else if (value is JsonArray list)
        {
            for (var i = 0; i < list.Count; i++)
            {
                yield return (list, null, i);
                foreach (var deeper in Places(list[i]))
                    yield return deeper;
            }
        }
    }

    private T Pick<T>(IReadOnlyList<T> from) => from[chance.Next(from.Count)];

    private JsonNode? Pick(JsonArray from) => from[chance.Next(from.Count)];
}
