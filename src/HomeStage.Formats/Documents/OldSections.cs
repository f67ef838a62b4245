using System.Globalization;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace HomeStage.Formats.Documents;

/// <summary>Sections as schema 3 wrote them, known by their names, made into sections of today, which have ids.</summary>
/// <remarks>An id follows from the name alone, so that an old document and every old entry of its log agree.</remarks>
internal static partial class OldSections
{
    private const int LongestOfAName = 30;

    /// <summary>Changes every section, and all that names one, in place.</summary>
    public static void Renew(JsonNode? node)
    {
        if (node is JsonArray list)
        {
            foreach (var item in list)
                Renew(item);
        }
        else if (node is JsonObject value)
        {
            foreach (var (name, item) in value.ToList())
            {
                if (name is "section" or "loopSection" && Text(item) is { } one)
                    value[name] = IdOf(one);
                else if (name is "sections" && item is JsonArray sections)
                    RenewSections(sections);
                else
                    Renew(item);
            }
        }
    }

    /// <summary>A name of plain words is its id in small letters; any other has something of its own at the end, for no two names share an id.</summary>
    internal static string IdOf(string name)
    {
        var id = Identifier.Of(name, "section");
        if (PlainWords().IsMatch(name))
            return id;
        // FNV-1a, as its authors give it: offset basis 2166136261, prime 16777619 (from memory).
        var hash = name.Aggregate(2166136261u, (sum, letter) => (sum ^ letter) * 16777619u);
        return string.Create(CultureInfo.InvariantCulture, $"{id[..Math.Min(id.Length, LongestOfAName)].TrimEnd('-')}-{hash:x8}");
    }

    private static void RenewSections(JsonArray sections)
    {
        for (var i = 0; i < sections.Count; i++)
        {
            if (Text(sections[i]) is { } mentioned)
                sections[i] = IdOf(mentioned);
            else if (sections[i] is JsonObject section && Text(section["name"]) is { } name)
                section["id"] = IdOf(name);
        }
    }

    private static string? Text(JsonNode? node) => node is JsonValue value && value.TryGetValue(out string? text) ? text : null;

    [GeneratedRegex("^[A-Z][a-z0-9]*( [a-z0-9]+)*$", RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 1000)]
    private static partial Regex PlainWords();
}
