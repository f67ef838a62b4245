using HomeStage.Core.Colours;
using HomeStage.Server.Data;

namespace HomeStage.Server.Api.Views;

/// <summary>A template as a bill in the library.</summary>
/// <param name="Families">What stands directly under the mix bus and the main, with all that feeds it.</param>
/// <param name="Channels">How many channels it has.</param>
public sealed record SummaryView(
    string Id, string Name, string Category, IReadOnlyList<string> Tags, string Note, double TempoBpm, string Meter,
    int Channels, IReadOnlyList<FamilyView> Families, bool OpensByDefault, DateTime ChangedUtc, int Revision)
{
    public static SummaryView Of(DocumentRow row, OpenDocument document)
    {
        var template = document.Template;
        return new(row.Id, template.Name, template.Category, template.Tags, template.Note,
            template.Timeline.TempoBpm, template.Timeline.Meter.ToString(), template.Channels.Count,
            FamilyCounts.Of(template), row.OpensByDefault, DateTime.SpecifyKind(row.ChangedUtc, DateTimeKind.Utc), document.Revision);
    }
}

/// <param name="Colour">Null for no hue.</param>
/// <param name="Count">Channels in the family, its bus not counted.</param>
public sealed record FamilyView(string Name, ChannelColour? Colour, int Count);
