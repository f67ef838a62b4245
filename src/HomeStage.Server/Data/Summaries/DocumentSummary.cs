using System.Text.Json;
using HomeStage.Core.Colours;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Reviews;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.Documents;

namespace HomeStage.Server.Data.Summaries;

/// <summary>What lists show of a document, stored beside it so that a list opens none.</summary>
/// <param name="Shape">Which version of the reckoning made it; another is made anew.</param>
/// <param name="KeyName">"D minor"; null while it waits for the song.</param>
/// <param name="Channels">How many it has.</param>
/// <param name="Parent">What it is based on; null for nothing.</param>
/// <param name="Moves">How many single edits would rebuild it.</param>
/// <param name="Findings">Of the soundcheck in every act, whatever the studio.</param>
/// <param name="Weights">By act.</param>
/// <param name="Names">Of channels, instruments and devices, and notes, each once: what a search looks through.</param>
/// <param name="Changes">Of a song: what it does otherwise than its template did; null for a template, and where that cannot be read.</param>
public sealed record DocumentSummary(
    int Shape, string Name, string Category, Sequence<string> Tags, string Note, double TempoBpm, string Meter, string? KeyName, double Seconds,
    int Channels, Sequence<FamilyView> Families, Parent? Parent, int Moves, FindingCounts Findings, Sequence<ActWeight> Weights, Sequence<string> Names, SongChanges? Changes)
{
    private const int CurrentShape = 5;

    /// <param name="began">Of a song: the template that it began as; null otherwise.</param>
    public static DocumentSummary Of(OpenDocument document, Template? began)
    {
        var template = document.Template;
        return new(
            CurrentShape, template.Name, template.Category, template.Tags, template.Note, template.Timeline.TempoBpm, template.Timeline.Meter.ToString(),
            template.Key?.Name, new TimeMap(template.Timeline).LengthSeconds, template.Channels.Count, FamilyCounts.Of(template).ToSequence(), template.Parent,
            MovesSaved.Of(template), FindingCounts.Of(document),
            template.Acts.Select(a => new ActWeight(a.Name, Math.Round(Weight.PercentOf(template, a.Id), 1))).ToSequence(),
            SearchedNames.Of(template), began is null ? null : SongChanges.Of(began, template));
    }

    /// <summary>What is known of a document that cannot be read and never had a summary.</summary>
    public static DocumentSummary OfName(string name) => new(CurrentShape, name, "", [], "", 0, "", null, 0, 0, [], null, 0, new(0, 0, 0), [], [], null);

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

/// <summary>What a document takes of one processor core in an act.</summary>
/// <param name="Act">Its name.</param>
public sealed record ActWeight(string Act, double Percent);
