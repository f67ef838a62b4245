using System.Text.Json;
using HomeStage.Core.Colours;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.Documents;

namespace HomeStage.Server.Data.Summaries;

/// <summary>What lists show of a document, stored beside it so that a list opens none.</summary>
/// <param name="Shape">Which version of the reckoning made it; another is made anew.</param>
/// <param name="KeyName">"D minor"; null while it waits for the song.</param>
/// <param name="Channels">How many it has.</param>
public sealed record DocumentSummary(
    int Shape, string Name, string Category, Sequence<string> Tags, string Note, double TempoBpm, string Meter, string? KeyName, double Seconds,
    int Channels, Sequence<FamilyView> Families, Parent? Parent)
{
    private const int CurrentShape = 2;

    public static DocumentSummary Of(Template template) => new(
        CurrentShape, template.Name, template.Category, template.Tags, template.Note, template.Timeline.TempoBpm, template.Timeline.Meter.ToString(),
        template.Key?.Name, new TimeMap(template.Timeline).LengthSeconds, template.Channels.Count, FamilyCounts.Of(template).ToSequence(), template.Parent);

    /// <summary>What is known of a document that cannot be read and never had a summary.</summary>
    public static DocumentSummary OfName(string name) => new(CurrentShape, name, "", [], "", 0, "", null, 0, 0, [], null);

    /// <returns>Null for what another version wrote, and for what is damaged.</returns>
    public static DocumentSummary? Of(string? json)
    {
        try
        {
            return json is not null && JsonSerializer.Deserialize<DocumentSummary>(json, DocumentJson.Options) is { Shape: CurrentShape } read ? read : null;
        }
        catch (JsonException)
        {
            // It can be worked out again.
            return null;
        }
    }

    public string ToJson() => JsonSerializer.Serialize(this, DocumentJson.Options);
}

/// <summary>One family of sounds in a document.</summary>
/// <param name="Colour">Null for no hue.</param>
/// <param name="Count">Channels in the family, its bus not counted.</param>
public sealed record FamilyView(string Name, ChannelColour? Colour, int Count);
