using System.Globalization;
using System.Text.Json.Nodes;

namespace HomeStage.Formats.Documents.Changes;

/// <summary>What turned one JSON value into another, as JSON of its own; it names only what differs.</summary>
/// <remarks>One of four forms: <c>{"is": value}</c> puts a value in place; <c>{"members": {name: change}, "without": [name]}</c> goes into
/// an object; <c>{"items": {place: change}}</c> goes into a list of the same length; <c>{"at": place, "out": count, "in": [value]}</c>
/// puts a stretch of a list in place of another.</remarks>
internal static class ValueChange
{
    private const string Is = "is";
    private const string Members = "members";
    private const string Without = "without";
    private const string Items = "items";
    private const string At = "at";
    private const string Out = "out";
    private const string In = "in";

    /// <returns>Null where the two are equal.</returns>
    public static JsonObject? Between(JsonNode? before, JsonNode? after)
    {
        if (JsonNode.DeepEquals(before, after))
            return null;
        return (before, after) switch
        {
            (JsonObject from, JsonObject to) => OfObject(from, to),
            (JsonArray from, JsonArray to) => from.Count == to.Count ? OfItems(from, to) : OfStretch(from, to),
            _ => Put(after),
        };
    }

    /// <param name="value">May be changed in place.</param>
    /// <returns>The value after the change.</returns>
    /// <exception cref="InvalidDataException">The change was not made on this value.</exception>
    public static JsonNode? Apply(JsonNode? value, JsonNode? change) => (change, value) switch
    {
        (JsonObject put, _) when put.ContainsKey(Is) => put[Is]?.DeepClone(),
        (JsonObject on, JsonObject members) when on[Members] is JsonObject changes => ToObject(members, changes, on[Without] as JsonArray),
        (JsonObject on, JsonArray list) when on[Items] is JsonObject changes => ToItems(list, changes),
        (JsonObject on, JsonArray list) when on[At] is not null => ToStretch(list, Number(on[At]), Number(on[Out]), on[In] as JsonArray ?? []),
        _ => throw Foreign(),
    };

    private static JsonObject Put(JsonNode? value) => new() { [Is] = value?.DeepClone() };

    private static JsonObject OfObject(JsonObject from, JsonObject to)
    {
        var members = new JsonObject();
        foreach (var (name, after) in to)
        {
            var change = from.TryGetPropertyValue(name, out var before) ? Between(before, after) : Put(after);
            if (change is not null)
                members[name] = change;
        }

        var changes = new JsonObject { [Members] = members };
        var gone = from.Select(m => m.Key).Where(name => !to.ContainsKey(name)).Select(name => (JsonNode?)name).ToArray();
        if (gone.Length > 0)
            changes[Without] = new JsonArray(gone);
        return changes;
    }

    private static JsonObject OfItems(JsonArray from, JsonArray to)
    {
        var items = new JsonObject();
        for (var i = 0; i < to.Count; i++)
            if (Between(from[i], to[i]) is { } change)
                items[i.ToString(CultureInfo.InvariantCulture)] = change;
        return new() { [Items] = items };
    }

    private static JsonObject OfStretch(JsonArray from, JsonArray to)
    {
        var shorter = Math.Min(from.Count, to.Count);
        var start = 0;
        while (start < shorter && JsonNode.DeepEquals(from[start], to[start]))
            start++;
        var end = 0;
        while (end < shorter - start && JsonNode.DeepEquals(from[from.Count - 1 - end], to[to.Count - 1 - end]))
            end++;
        var inside = to.Skip(start).Take(to.Count - end - start).Select(v => v?.DeepClone()).ToArray();
        return new() { [At] = start, [Out] = from.Count - end - start, [In] = new JsonArray(inside) };
    }

    private static JsonObject ToObject(JsonObject value, JsonObject changes, JsonArray? without)
    {
        foreach (var name in without ?? [])
            if (!value.Remove(name?.GetValue<string>() ?? throw Foreign()))
                throw Foreign();
        foreach (var (name, change) in changes)
        {
            value.Remove(name, out var before);
            value[name] = Apply(before, change);
        }

        return value;
    }

    private static JsonArray ToItems(JsonArray list, JsonObject changes)
    {
        foreach (var (place, change) in changes)
        {
            if (!int.TryParse(place, NumberStyles.None, CultureInfo.InvariantCulture, out var at) || at >= list.Count)
                throw Foreign();
            var before = list[at];
            list[at] = null;
            list[at] = Apply(before, change);
        }

        return list;
    }

    private static JsonArray ToStretch(JsonArray list, int at, int without, JsonArray with)
    {
        if (at < 0 || without < 0 || at + without > list.Count)
            throw Foreign();
        list.RemoveRange(at, without);
        for (var i = 0; i < with.Count; i++)
            list.Insert(at + i, with[i]?.DeepClone());
        return list;
    }

    private static int Number(JsonNode? value) => value is JsonValue number && number.TryGetValue(out int whole) ? whole : throw Foreign();

    private static InvalidDataException Foreign() => new("A change in the log was not made on what stands before it.");
}
