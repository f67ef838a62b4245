using HomeStage.Core.Reviews;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Summaries;

namespace HomeStage.Server.Api.Views;

/// <summary>A song in the list of songs.</summary>
/// <param name="KeyName">"D minor"; null while it has none.</param>
/// <param name="TemplateName">Null where the template is gone for good.</param>
/// <param name="Changes">How many single edits lie between it and the template as it began; null where that cannot be read.</param>
/// <param name="ChangeWords">The first of them.</param>
/// <param name="Kept">What it has of its own to play and to hear; none where the template cannot be read.</param>
/// <param name="LeftOut">What it left behind in the project file that it came from, in words; null for a song that was made here, and in lists.</param>
/// <param name="Damage">What is wrong with it on the disk; null for nothing.</param>
public sealed record SongView(
    string Id, string Title, double TempoBpm, string Meter, string? KeyName, double Seconds, int Channels,
    string? TemplateId, string? TemplateName, int? TemplateRevision, DateTime StartedUtc, DateTime ChangedUtc, int Revision, int? Changes, IReadOnlyList<string> ChangeWords, IReadOnlyList<KeptStarter> Kept, IReadOnlyList<string>? LeftOut, Damage? Damage)
{
    /// <param name="templates">Names by id.</param>
    public static SongView Of(ListedDocument listed, IReadOnlyDictionary<string, string> templates)
    {
        var (row, summary, damage) = listed;
        return new(row.Id, summary.Name, summary.TempoBpm, summary.Meter, summary.KeyName, summary.Seconds, summary.Channels,
            row.StartedFromId, row.StartedFromId is { } from ? templates.GetValueOrDefault(from) : null, row.StartedFromRevision,
            DateTime.SpecifyKind(row.CreatedUtc, DateTimeKind.Utc), DateTime.SpecifyKind(row.ChangedUtc, DateTimeKind.Utc), row.Revision,
            summary.Changes?.Count, summary.Changes?.Words ?? [], summary.Changes?.Kept ?? [], Brought.Of(row.Brought)?.LeftOut, damage);
    }
}
