using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Summaries;

namespace HomeStage.Server.Api.Views;

/// <summary>A template as a bill in the library.</summary>
/// <param name="Families">What stands directly under the mix bus and the main, with all that feeds it.</param>
/// <param name="Channels">How many channels it has.</param>
/// <param name="LeadsCategory">Whether songs of its category begin from it unless another is chosen.</param>
/// <param name="Moves">How many single edits would rebuild it.</param>
/// <param name="Songs">How many began from it.</param>
/// <param name="LastUsedUtc">When the last of them began; null for never.</param>
/// <param name="Found">What a search has found of it that is not on the bill; null for nothing.</param>
/// <param name="Damage">What is wrong with it on the disk; null for nothing.</param>
public sealed record SummaryView(
    string Id, string Name, string Category, IReadOnlyList<string> Tags, string Note, double TempoBpm, string Meter,
    int Channels, IReadOnlyList<FamilyView> Families, bool OpensByDefault, bool LeadsCategory, DateTime ChangedUtc, int Revision, ParentLine? BasedOn,
    int Moves, FindingCounts Findings, IReadOnlyList<ActWeight> Weights, int Songs, DateTime? LastUsedUtc, string? Found, Damage? Damage)
{
    /// <param name="all">Of the whole list, by id.</param>
    /// <param name="begun">By template when songs of it began.</param>
    internal static SummaryView Of(ListedDocument listed, IReadOnlyDictionary<string, ListedDocument> all, ILookup<string, DateTime> begun, string? found)
    {
        var (row, summary, damage) = listed;
        return new(row.Id, summary.Name, summary.Category, summary.Tags, summary.Note, summary.TempoBpm, summary.Meter, summary.Channels,
            summary.Families, row.OpensByDefault, row.LeadsCategory, DateTime.SpecifyKind(row.ChangedUtc, DateTimeKind.Utc), row.Revision, ParentLine.Of(summary.Parent, all),
            summary.Moves, summary.Findings, summary.Weights, begun[row.Id].Count(), begun[row.Id].Select(t => (DateTime?)DateTime.SpecifyKind(t, DateTimeKind.Utc)).Max(), found, damage);
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
