using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.Documents.Changes;

/// <summary>A channel on its way through a log: as it is, until a change touches it, then as JSON.</summary>
internal sealed class PassingChannel
{
    private readonly Channel? _channel;
    private JsonObject? _json;

    public PassingChannel(Channel channel)
    {
        _channel = channel;
        Id = channel.Id.Value;
    }

    /// <exception cref="InvalidDataException">It has no id.</exception>
    public PassingChannel(JsonObject json)
    {
        _json = json;
        Id = json[DocumentChange.Id] is JsonValue id && id.TryGetValue(out string? text) ? text : throw new InvalidDataException("A stored channel has no id.");
    }

    public string Id { get; }

    public bool IsChanged => _json is not null;

    public void Apply(JsonNode? change) => _json = ValueChange.Apply(Json(), change) as JsonObject ?? throw new InvalidDataException("A change in the log leaves no channel.");

    public JsonObject Json() => _json ??= DocumentChange.Node(_channel!);

    /// <exception cref="JsonException">What changes led to is no channel.</exception>
    public Channel Channel() => _json is null ? _channel! : _json.Deserialize<Channel>(DocumentJson.Options)!;
}
