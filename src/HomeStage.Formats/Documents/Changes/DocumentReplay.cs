using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.Documents.Changes;

/// <summary>A document on its way through the changes of its log. What no change touches stays as it is, and is shared.</summary>
/// <remarks>It goes by the stored text alone: no rule is asked, and a document of an older schema is renewed where the first change of
/// a newer one comes.</remarks>
public sealed class DocumentReplay
{
    private readonly Template? _from;
    private List<PassingChannel> _channels;
    private JsonObject? _about;
    private int _schema = TemplateDocument.SchemaVersion;
    private bool _listIsOld = true;

    /// <summary>From a template of today.</summary>
    public DocumentReplay(Template from)
    {
        _from = from;
        _channels = [.. from.Channels.Select(c => new PassingChannel(c))];
    }

    /// <summary>From a stored document, of any schema so far.</summary>
    /// <exception cref="InvalidDataException">It is none.</exception>
    public DocumentReplay(ReadOnlySpan<byte> document)
    {
        var root = Parsed(document) as JsonObject ?? throw Broken();
        if (root["schemaVersion"] is not JsonValue version || !version.TryGetValue(out _schema) || root["template"] is not JsonObject about)
            throw Broken();
        _channels = Split(about);
        _about = about;
    }

    /// <summary>One more change.</summary>
    /// <param name="change">As <see cref="DocumentChange"/> wrote it.</param>
    /// <exception cref="InvalidDataException">It was not made on what stands here; the replay is of no more use.</exception>
    public void Apply(string change)
    {
        try
        {
            var said = JsonNode.Parse(change) as JsonObject ?? throw Broken();
            RenewTo(said[DocumentChange.Schema]?.GetValue<int>() ?? throw Broken());
            if (said[DocumentChange.About] is { } about)
                _about = ValueChange.Apply(_about ?? DocumentChange.AboutOf(_from!), about) as JsonObject ?? throw Broken();
            PutList(said[DocumentChange.Gone] as JsonArray, said[DocumentChange.Placed] as JsonArray);
            if (said[DocumentChange.Channels] is JsonObject channels)
                ChangeChannels(channels);
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException or FormatException)
        {
            throw new InvalidDataException("A change in the log is not whole.", e);
        }
    }

    /// <returns>The document as it is now; rules are not asked.</returns>
    /// <exception cref="InvalidDataException">What the changes led to is no document.</exception>
    public Template Template()
    {
        try
        {
            RenewTo(TemplateDocument.SchemaVersion);
            var about = _about is null ? _from! : About(_about);
            return about with { Channels = _from is not null && _listIsOld ? Replaced(_from.Channels) : ChannelList.From(_channels.Select(c => c.Channel())) };
        }
        catch (Exception e) when (e is JsonException or NotSupportedException or ArgumentException)
        {
            throw new InvalidDataException("What the log leads to is not a document.", e);
        }
    }

    private ChannelList Replaced(ChannelList channels)
    {
        var changed = _channels.FindAll(c => c.IsChanged);
        // One by one they share the index of ids.
        return changed.Count < 8 ? changed.Aggregate(channels, (list, c) => list.Replace(c.Channel())) : ChannelList.From(_channels.Select(c => c.Channel()));
    }

    private static Template About(JsonObject about)
    {
        about[DocumentChange.Channels] = new JsonArray();
        var template = about.Deserialize<Template>(DocumentJson.Options)!;
        about.Remove(DocumentChange.Channels);
        return template;
    }

    private void PutList(JsonArray? gone, JsonArray? placed)
    {
        if (gone is null && placed is null)
            return;
        _listIsOld = false;
        var leaving = (gone ?? []).Concat((placed ?? []).Select(p => p![DocumentChange.Id]).Where(id => id is not null)).Select(id => id!.GetValue<string>()).ToHashSet();
        var moved = _channels.Where(c => leaving.Contains(c.Id)).ToDictionary(c => c.Id);
        if (moved.Count != leaving.Count)
            throw Broken();
        _channels.RemoveAll(c => leaving.Contains(c.Id));
        // Ascending: each finds those before it in place.
        foreach (var place in placed ?? [])
        {
            var at = place![DocumentChange.At]!.GetValue<int>();
            if (at < 0 || at > _channels.Count)
                throw Broken();
            _channels.Insert(at, place[DocumentChange.Id] is { } id ? moved[id.GetValue<string>()] : new(place[DocumentChange.Whole]!.DeepClone().AsObject()));
        }
    }

    private void ChangeChannels(JsonObject changes)
    {
        var left = changes.Count;
        foreach (var channel in _channels)
        {
            if (left == 0)
                return;
            if (!changes.TryGetPropertyValue(channel.Id, out var change))
                continue;
            channel.Apply(change);
            left--;
        }

        if (left > 0)
            throw Broken();
    }

    private void RenewTo(int schema)
    {
        if (schema < _schema || schema > TemplateDocument.SchemaVersion)
            throw Broken();
        if (schema == _schema)
            return;
        _about![DocumentChange.Channels] = new JsonArray([.. _channels.Select(c => (JsonNode?)c.Json())]);
        OldDocuments.Renew(_about, _schema);
        _channels = Split(_about);
        _schema = schema;
    }

    private static List<PassingChannel> Split(JsonObject template)
    {
        var channels = template[DocumentChange.Channels] as JsonArray ?? throw Broken();
        template.Remove(DocumentChange.Channels);
        var list = channels.Select(c => c as JsonObject ?? throw Broken()).ToList();
        channels.Clear();
        return list.ConvertAll(c => new PassingChannel(c));
    }

    private static JsonNode? Parsed(ReadOnlySpan<byte> document)
    {
        try
        {
            return JsonNode.Parse(document, documentOptions: new() { MaxDepth = DocumentJson.Options.MaxDepth });
        }
        catch (JsonException e)
        {
            throw new InvalidDataException("A stored document is not whole.", e);
        }
    }

    private static InvalidDataException Broken() => new("A document or a change in its log is not as it was written.");
}
