using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Summaries;

namespace HomeStage.Server.Api.Views;

/// <summary>A template as a bill in the library.</summary>
/// <param name="Families">What stands directly under the mix bus and the main, with all that feeds it.</param>
/// <param name="Channels">How many channels it has.</param>
/// <param name="Damage">What is wrong with it on the disk; null for nothing.</param>
public sealed record SummaryView(
    string Id, string Name, string Category, IReadOnlyList<string> Tags, string Note, double TempoBpm, string Meter,
    int Channels, IReadOnlyList<FamilyView> Families, bool OpensByDefault, DateTime ChangedUtc, int Revision, ParentLine? BasedOn, Damage? Damage)
{
    /// <param name="all">Of the whole list, by id.</param>
    public static SummaryView Of(ListedDocument listed, IReadOnlyDictionary<string, ListedDocument> all)
    {
        var (row, summary, damage) = listed;
        return new(row.Id, summary.Name, summary.Category, summary.Tags, summary.Note, summary.TempoBpm, summary.Meter, summary.Channels,
            summary.Families, row.OpensByDefault, DateTime.SpecifyKind(row.ChangedUtc, DateTimeKind.Utc), row.Revision, ParentLine.Of(summary.Parent, all), damage);
    }
}

/// <summary>What a template is based on.</summary>
/// <param name="HasChanged">Whether it was changed since its changes were looked through last.</param>
public sealed record ParentLine(string Name, bool HasChanged)
{
    internal static ParentLine? Of(Parent? parent, IReadOnlyDictionary<string, ListedDocument> all) =>
        parent is null ? null
        : all.TryGetValue(parent.Template, out var here) ? new(here.Summary.Name, here.Row.Revision > parent.Revision)
        : new(parent.Name, false);
}
