namespace HomeStage.Server.Api.Views;

/// <summary>A song in the list of songs.</summary>
/// <param name="TemplateId">The template that it was started from.</param>
/// <param name="TemplateName">That template's name today; null where it is gone.</param>
/// <param name="TemplateRevision">The template's revision when the song was started.</param>
public sealed record SongView(
    string Id, string Title, double TempoBpm, string Meter, string? KeyName, double Seconds, int Channels,
    string? TemplateId, string? TemplateName, int? TemplateRevision, DateTime StartedUtc, DateTime ChangedUtc, int Revision);
