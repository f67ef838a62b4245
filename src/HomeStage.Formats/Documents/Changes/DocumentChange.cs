using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.Documents.Changes;

/// <summary>What turned one template into another, as text: a log of such changes gives every state again, whatever the rules and the
/// edits of a later version are.</summary>
/// <remarks>An object: the schema that it speaks; <c>about</c>, a change of everything but the channels; <c>gone</c>, ids of channels that
/// are no more; <c>placed</c>, channels that are new (whole) or stand elsewhere (by their id), each with its place in the list as it is
/// afterwards, ascending; <c>channels</c>, a change for each channel that stayed. What is not there did not change.</remarks>
public static class DocumentChange
{
    internal const string Schema = "schema";
    internal const string About = "about";
    internal const string Gone = "gone";
    internal const string Placed = "placed";
    internal const string At = "at";
    internal const string Id = "id";
    internal const string Whole = "channel";
    internal const string Channels = "channels";

    /// <returns>JSON; <see cref="DocumentReplay"/> applies it.</returns>
    public static string Between(Template before, Template after)
    {
        var change = new JsonObject { [Schema] = TemplateDocument.SchemaVersion };
        if (ValueChange.Between(AboutOf(before, after), AboutOf(after, before)) is { } about)
            change[About] = about;
        AddList(change, before.Channels, after.Channels);
        AddChannels(change, before.Channels, after.Channels);
        return change.ToJsonString(DocumentJson.Options);
    }

    /// <summary>Whether a template of today can be given to it: it was written on one of the same schema.</summary>
    /// <param name="entry">Of a log; older versions wrote other things there.</param>
    public static bool IsOfToday(string entry)
    {
        using var json = JsonDocument.Parse(entry);
        return json.RootElement.ValueKind == JsonValueKind.Object
            && json.RootElement.TryGetProperty(Schema, out var schema) && schema.TryGetInt32(out var number) && number == TemplateDocument.SchemaVersion;
    }

    /// <summary>Everything but the channels.</summary>
    internal static JsonObject AboutOf(Template template)
    {
        var about = Node(template with { Channels = ChannelList.Empty });
        about.Remove(Channels);
        return about;
    }

    internal static JsonObject Node<T>(T value) => JsonSerializer.SerializeToNode(value, DocumentJson.Options)!.AsObject();

    /// <summary>The same, or nothing where the other does not differ in it.</summary>
    private static JsonObject? AboutOf(Template template, Template other) =>
        template with { Channels = ChannelList.Empty } == other with { Channels = ChannelList.Empty } ? null : AboutOf(template);

    private static void AddList(JsonObject change, ChannelList before, ChannelList after)
    {
        var gone = before.Where(c => !after.Contains(c.Id)).Select(c => (JsonNode?)c.Id.Value).ToArray();
        if (gone.Length > 0)
            change[Gone] = new JsonArray(gone);
        var staying = Staying(before, after);
        var placed = after.Select((channel, place) => (channel, place)).Where(x => !staying.Contains(x.channel.Id)).Select(x => (JsonNode?)(before.Contains(x.channel.Id)
            ? new JsonObject { [At] = x.place, [Id] = x.channel.Id.Value }
            : new JsonObject { [At] = x.place, [Whole] = Node(x.channel) })).ToArray();
        if (placed.Length > 0)
            change[Placed] = new JsonArray(placed);
    }

    private static void AddChannels(JsonObject change, ChannelList before, ChannelList after)
    {
        var channels = new JsonObject();
        foreach (var channel in after)
            if (before.TryGet(channel.Id, out var was) && !ReferenceEquals(was, channel) && !was.Equals(channel))
                channels[channel.Id.Value] = ValueChange.Between(Node(was), Node(channel));
        if (channels.Count > 0)
            change[Channels] = channels;
    }

    /// <summary>As many of the channels as can keep their order.</summary>
    private static HashSet<ChannelId> Staying(ChannelList before, ChannelList after)
    {
        var shared = after.Where(c => before.Contains(c.Id)).Select(c => c.Id).ToList();
        return HeaviestRise.Of([.. shared.Select(before.IndexOf)], [.. shared.Select(_ => 1)]).Select(i => shared[i]).ToHashSet();
    }
}
